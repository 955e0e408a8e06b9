import { runSchema } from '../../../../shared/api/catalogue'
import { apiRoute } from '../../../http/apiRoute'
import { bodyOf } from '../../../work/bodyOf'
import { changeRun } from '../../../work/catalogueRun'

/** Has the work over many series wait, go on or end. */
export default apiRoute({ body: bodyOf('changeRun'), answer: runSchema }, ({ body }) =>
  changeRun(body.state),
)
