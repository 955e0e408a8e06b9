import { getQuery, setResponseHeader } from 'h3'
import { valuesQuerySchema } from '../../../../shared/api/series'
import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { whenGone } from '../../../http/whenGone'
import { inWorker } from '../../../work/pool'

/** The values of some series, all or as few as a small picture needs. */
export default bytesRoute(async (event) => {
  const { ids, points } = check(valuesQuerySchema, getQuery(event), 400)
  const way = { lane: 'short', until: whenGone(event) } as const
  const values = await inWorker(way, 'valuesOf', databasePath(), ids, points)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(values)
})
