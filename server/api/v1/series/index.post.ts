import { createSeriesSchema, shelfSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { shelfRows } from '../../../series/shelfRows'
import { keepSeries } from '../../../series/shelfStore'
import { beginLater, beginningsOf } from '../../../studies/beginnings'

/** Keeps new series, all or none, each begun by rule, and answers with their rows of the shelf. */
export default apiRoute(
  { body: createSeriesSchema, answer: shelfSchema, status: 201 },
  ({ body }) => {
    const methods = beginningsOf(body.series)
    const ids = keepSeries(database(), body.series, methods)
    if (methods === 'later') void beginLater(ids)
    return { series: shelfRows(database(), ids) }
  },
)
