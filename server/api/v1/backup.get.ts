import { createReadStream, rmSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { databasePath } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { asDownload } from '../../http/download'
import { inWorker } from '../../work/pool'

/** The whole database as one file. */
export default bytesRoute(async (event) => {
  const copy = `${databasePath()}.${randomUUID()}.backup`
  // Also when the download is given up half-way, or the copy cannot be made whole.
  event.node.res.once('close', () => rmSync(copy, { force: true }))
  await inWorker({}, 'backUp', databasePath(), copy)
  const day = new Date().toISOString().slice(0, 10)
  asDownload(event, `elvant-${day}.backup`, 'application/octet-stream')
  return createReadStream(copy)
})
