import { setResponseHeader } from 'h3'
import { databasePath } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { whenGone } from '../../http/whenGone'
import { inWorker } from '../../work/pool'

/** Series added up, with forecasts of the sums, made to agree; nothing is kept. */
export default bytesRoute(async (event) => {
  const body = await readJsonBytes(event)
  const answer = await inWorker({ until: whenGone(event) }, 'addUp', databasePath(), body)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(answer)
})
