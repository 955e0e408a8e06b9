import { getQuery, setResponseHeader } from 'h3'
import { shelfQuerySchema } from '../../../../shared/api/series'
import { database, databasePath } from '../../../database/current'
import { whenFree } from '../../../database/whenFree'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { whenGone } from '../../../http/whenGone'
import { shelfPage } from '../../../series/shelfRows'
import { inWorker } from '../../../work/pool'

/** Rows of a page where only its beginning is said. */
const PAGE = 100

/** The shelf: every series that is not in the trash, by pages where a page is asked for, else as a whole. */
export default bytesRoute(async (event) => {
  const { after, limit = after === undefined ? undefined : PAGE } = check(
    shelfQuerySchema,
    getQuery(event),
    400,
  )
  if (limit !== undefined) return whenFree(() => shelfPage(database(), { limit, after }))
  const way = { lane: 'short', until: whenGone(event) } as const
  const shelf = await inWorker(way, 'shelf', databasePath())
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(shelf)
})
