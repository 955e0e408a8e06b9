import { setResponseHeader } from 'h3'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { whenGone } from '../../http/whenGone'
import { calculate } from '../../work/bySize'

/** The method that a series begins with, for scripts; nothing is kept. */
export default bytesRoute(async (event) => {
  const beginning = await calculate(whenGone(event), 'begin', await readJsonBytes(event))
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(beginning)
})
