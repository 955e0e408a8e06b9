import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { restoreSeries } from '../../../../series/seriesStore'

/** Takes a series out of the trash. */
export default apiRoute({ params: seriesIdParams }, ({ params }) => {
  if (!restoreSeries(database(), params.id)) throw problem(404, 'This series is not in the trash.')
})
