import { runStateSchema } from '../../../../shared/api/catalogue'
import { apiRoute } from '../../../http/apiRoute'
import { runNow } from '../../../work/catalogueRun'

/** The work over many series that is going on, or was the last to. */
export default apiRoute({ answer: runStateSchema }, () => ({ run: runNow() }))
