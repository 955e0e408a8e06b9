import { runSchema } from '../../../../shared/api/catalogue'
import { apiRoute } from '../../../http/apiRoute'
import { bodyOf } from '../../../work/bodyOf'
import { beginRun } from '../../../work/catalogueRun'

/** Begins to work series of the shelf through, or to keep a forecast of each. */
export default apiRoute({ body: bodyOf('beginRun'), answer: runSchema, status: 202 }, ({ body }) =>
  beginRun(body),
)
