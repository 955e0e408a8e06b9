import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { bodyOf } from '../../../../work/bodyOf'
import { problem } from '../../../../http/problem'
import { changeSeries } from '../../../../shelf/shelfStore'

/** Renames a series or states its unit. */
export default apiRoute({ params: seriesIdParams, body: bodyOf('change') }, ({ params, body }) => {
  if (!changeSeries(database(), params.id, body)) throw problem(404, 'This series is not there.')
})
