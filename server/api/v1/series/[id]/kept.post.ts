import { getRouterParams, setResponseHeader, setResponseStatus } from 'h3'
import { seriesIdParams } from '../../../../../shared/api/series'
import { writtenElsewhere } from '../../../../database/current'
import { bytesRoute } from '../../../../http/apiRoute'
import { readJsonBytes } from '../../../../http/body'
import { check } from '../../../../http/check'
import { problem } from '../../../../http/problem'
import { inWorker } from '../../../../work/pool'

/** Keeps the forecast of a method on a series as it is now, under a name, and answers with what was kept. */
export default bytesRoute(async (event) => {
  const { id } = check(seriesIdParams, getRouterParams(event), 404)
  const body = await readJsonBytes(event)
  const kept = await writtenElsewhere((path) => inWorker({}, 'keepForecast', path, id, body))
  if (!kept) throw problem(404, 'This series is not there.')
  setResponseStatus(event, 201)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(kept)
})
