import { z } from 'zod'
import { seriesActSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { apiRoute } from '../../../http/apiRoute'
import { problem } from '../../../http/problem'
import { actOnSeries } from '../../../series/shelfStore'

/** Puts several series into the trash or a group, or takes them out of the trash. */
export default apiRoute(
  { body: seriesActSchema, answer: z.strictObject({ count: z.int() }) },
  ({ body }) => {
    const count = actOnSeries(database(), body)
    if (count === 0) throw problem(404, 'None of these series is there.')
    return { count }
  },
)
