import { setResponseHeader, setResponseStatus } from 'h3'
import { writtenElsewhere } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { readJsonBytes } from '../../../http/body'
import { beginLater } from '../../../work/beginLater'
import { workNew } from '../../../work/catalogueRun'
import { inWorker } from '../../../work/pool'

/** Keeps new series, all or none, each begun by rule, and answers with their rows of the shelf. */
export default bytesRoute(async (event) => {
  const body = await readJsonBytes(event)
  const { bytes, ids, toBegin } = await writtenElsewhere((path) =>
    inWorker({ lane: 'kept' }, 'keepNew', path, body),
  )
  // Working a series through begins it too.
  if (!workNew(ids) && toBegin.length > 0) void beginLater(toBegin)
  setResponseStatus(event, 201)
  setResponseHeader(event, 'content-type', 'application/json')
  return Buffer.from(bytes)
})
