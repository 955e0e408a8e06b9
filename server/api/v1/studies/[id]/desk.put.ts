import { seriesIdParams } from '../../../../../shared/api/series'
import { database } from '../../../../database/current'
import { apiRoute } from '../../../../http/apiRoute'
import { bodyOf } from '../../../../work/bodyOf'
import { problem } from '../../../../http/problem'
import { keepView } from '../../../../studies/deskStore'

/** Keeps how the Bench of a study was left. */
export default apiRoute({ params: seriesIdParams, body: bodyOf('view') }, ({ params, body }) => {
  if (!keepView(database(), params.id, body.view)) {
    throw problem(404, 'This study is not there; its series may have been deleted.')
  }
})
