import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { discardSeries } from '../../../../series/seriesStore'

/** Puts a series into the trash. */
export default apiRoute({ params: seriesIdParams }, ({ params }) => {
  if (!discardSeries(database(), params.id)) throw problem(404, 'This series is not there.')
})
