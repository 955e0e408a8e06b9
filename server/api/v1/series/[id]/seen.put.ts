import { seriesIdParams } from '../../../../../shared/api/series'
import { noteSeen } from '../../../../catalogue/workedStore'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { bodyOf } from '../../../../work/bodyOf'

/** Notes that somebody has seen what there is to look at of a series, until something new comes. */
export default apiRoute({ params: seriesIdParams, body: bodyOf('seen') }, ({ params, body }) => {
  if (noteSeen(database(), params.id, body)) return
  throw problem(404, 'This series was not worked through, or is not there.')
})
