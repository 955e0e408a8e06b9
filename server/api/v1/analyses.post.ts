import { setResponseHeader } from 'h3'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { whenGone } from '../../http/whenGone'
import { calculate } from '../../work/bySize'

/** Runs a method on a series, for scripts; nothing is kept. */
export default bytesRoute(async (event) => {
  const result = await calculate(whenGone(event), 'analyse', await readJsonBytes(event))
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(result)
})
