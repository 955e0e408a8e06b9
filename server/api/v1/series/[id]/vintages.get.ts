import { seriesIdParams, vintagesSchema } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { listVintages } from '../../../../series/seriesStore'

/** Every vintage of a series, the newest first. */
export default apiRoute({ params: seriesIdParams, answer: vintagesSchema }, ({ params }) => ({
  vintages: listVintages(database(), params.id),
}))
