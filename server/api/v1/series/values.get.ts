import { valuesAnswerSchema, valuesQuerySchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { valuesOf } from '../../../series/valuesOf'

/** The values of some series, all or as few as a small picture needs. */
export default apiRoute(
  { query: valuesQuerySchema, answer: valuesAnswerSchema },
  ({ query: { ids, points } }) => ({ series: valuesOf(database(), ids, points) }),
)
