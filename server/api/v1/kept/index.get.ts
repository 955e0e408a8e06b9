import { getQuery, setResponseHeader } from 'h3'
import { keptQuerySchema } from '../../../../shared/api/kept'
import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { whenGone } from '../../../http/whenGone'
import { inWorkerSoon } from '../../../work/pool'

/** Kept forecasts of one series, or of all, with how they did: the worst first. */
export default bytesRoute(async (event) => {
  const { series } = check(keptQuerySchema, getQuery(event), 400)
  const kept = await inWorkerSoon(whenGone(event), 'listKept', databasePath(), series)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(kept)
})
