import { seriesIdParams, vintagesSchema } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { listVintages } from '../../../../series/vintageStore'

/** Every vintage of a series, the newest first. */
export default apiRoute({ params: seriesIdParams, answer: vintagesSchema }, ({ params }) => {
  const vintages = listVintages(database(), params.id)
  if (!vintages) throw problem(404, 'This series is not there.')
  return { vintages }
})
