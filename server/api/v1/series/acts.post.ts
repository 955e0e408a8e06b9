import { writtenElsewhere } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { readJsonBytes } from '../../../http/body'
import { problem } from '../../../http/problem'
import { inWorker } from '../../../work/pool'

/** Puts several series into the trash or a group, or takes them out of the trash. */
export default bytesRoute(async (event) => {
  const body = await readJsonBytes(event)
  const count = await writtenElsewhere((path) => inWorker({ lane: 'kept' }, 'act', path, body))
  if (count === 0) throw problem(404, 'None of these series is there.')
  return { count }
})
