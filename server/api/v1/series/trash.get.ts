import { trashSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { listTrash } from '../../../shelf/shelfStore'

/** What lies in the trash. */
export default apiRoute({ answer: trashSchema }, () => ({ series: listTrash(database()) }))
