import { getRouterParams, setResponseHeader } from 'h3'
import { seriesIdParams } from '../../../../shared/api/series'
import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { check } from '../../../http/check'
import { problem } from '../../../http/problem'
import { whenGone } from '../../../http/whenGone'
import { inWorkerSoon } from '../../../work/pool'

/** A kept forecast with all that it was made of. */
export default bytesRoute(async (event) => {
  const { id } = check(seriesIdParams, getRouterParams(event), 404)
  const kept = await inWorkerSoon(whenGone(event), 'findKept', databasePath(), id)
  if (!kept)
    throw problem(404, 'This kept forecast is not there; its series may have been deleted.')
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(kept)
})
