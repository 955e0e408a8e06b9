import { storageSchema } from '../../../shared/api/storage'
import { readOnly } from '../../database/current'
import { apiRoute } from '../../http/apiRoute'

/** Whether what is changed can be kept. */
export default apiRoute({ answer: storageSchema }, () => ({ readOnly: readOnly() }))
