import { getRouterParams, setResponseHeader, setResponseStatus } from 'h3'
import { seriesIdParams } from '../../../../../shared/api/series'
import { writtenElsewhere } from '../../../../database/current'
import { bytesRoute } from '../../../../http/apiRoute'
import { readJsonBytes } from '../../../../http/body'
import { check } from '../../../../http/check'
import { problem } from '../../../../http/problem'
import { inWorker } from '../../../../work/pool'

/** Takes a calculated row of a series on as one of its own, which follows its values, and answers with its row of the shelf. */
export default bytesRoute(async (event) => {
  const { id } = check(seriesIdParams, getRouterParams(event), 404)
  const body = await readJsonBytes(event)
  const row = await writtenElsewhere((path) => inWorker({}, 'takeOnRow', path, id, body))
  if (!row) throw problem(404, 'This series is not there.')
  setResponseStatus(event, 201)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(row)
})
