import { setResponseHeader } from 'h3'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { inWorker } from '../../work/pool'

/** Runs a method on a series, for scripts; nothing is kept. */
export default bytesRoute(async (event) => {
  const result = await inWorker('analyse', await readJsonBytes(event))
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(result)
})
