import { trashSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { listTrash } from '../../../series/seriesStore'

/** What lies in the trash. */
export default apiRoute({ answer: trashSchema }, () => ({ series: listTrash(database()) }))
