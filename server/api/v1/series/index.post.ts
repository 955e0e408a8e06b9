import { createSeriesSchema, shelfSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { keepSeries, listShelf } from '../../../series/shelfStore'
import { beginningsOf } from '../../../studies/beginnings'

/** Keeps new series, all or none, each begun by rule, and answers with their rows of the shelf. */
export default apiRoute(
  { body: createSeriesSchema, answer: shelfSchema, status: 201 },
  async ({ body }) => {
    const ids = keepSeries(database(), body.series, await beginningsOf(body.series))
    const rows = new Map(listShelf(database()).map((row) => [row.id, row]))
    return { series: ids.map((id) => rows.get(id)!) }
  },
)
