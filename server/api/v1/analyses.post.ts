import { setResponseHeader } from 'h3'
import { analysisRequestSchema } from '../../../shared/api/studies'
import { bytesRoute, check } from '../../http/apiRoute'
import { readJsonBody } from '../../http/body'
import { inWorker } from '../../work/pool'

/** Runs a method on a series, for scripts; nothing is kept. */
export default bytesRoute(async (event) => {
  const { series, method } = check(analysisRequestSchema, await readJsonBody(event), 400)
  const result = await inWorker('analyse', series, method)
  setResponseHeader(event, 'content-type', 'application/json')
  return result
})
