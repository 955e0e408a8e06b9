import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { problem } from '../../../../http/problem'
import { agreeOn } from '../../../../kept/keptStore'
import { bodyOf } from '../../../../work/bodyOf'

/** Calls one kept forecast of a series the agreed one, or none. */
export default apiRoute({ params: seriesIdParams, body: bodyOf('agree') }, ({ params, body }) => {
  if (!agreeOn(database(), params.id, body.keptId)) {
    throw problem(404, 'The series has no such kept forecast.')
  }
})
