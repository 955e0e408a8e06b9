import { shelfSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { listShelf } from '../../../series/shelfStore'

/** The shelf: every series that is not in the trash. */
export default apiRoute({ answer: shelfSchema }, () => ({ series: listShelf(database()) }))
