import { shelfPageSchema, shelfQuerySchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { shelfPage } from '../../../series/shelfRows'

/** The shelf: every series that is not in the trash, by pages. */
export default apiRoute({ query: shelfQuerySchema, answer: shelfPageSchema }, ({ query }) =>
  shelfPage(database(), query),
)
