import { setResponseStatus } from 'h3'
import { writtenElsewhere } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { readJsonBytes } from '../../../http/body'
import { workAgain } from '../../../work/catalogueRun'
import { inWorker } from '../../../work/pool'
import { refreshLater } from '../../../work/refreshLater'

/** Brings several series up to date with new values, all or none; the earlier ones stay readable. */
export default bytesRoute(async (event) => {
  const body = await readJsonBytes(event)
  const changed = await writtenElsewhere((path) =>
    inWorker({ lane: 'kept' }, 'updateAll', path, body),
  )
  void refreshLater(changed)
  workAgain(changed)
  setResponseStatus(event, 204)
  return null
})
