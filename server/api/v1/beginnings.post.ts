import { setResponseHeader } from 'h3'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { inWorker } from '../../work/pool'

/** The method that a series begins with, for scripts; nothing is kept. */
export default bytesRoute(async (event) => {
  const beginning = await inWorker('begin', await readJsonBytes(event))
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(beginning)
})
