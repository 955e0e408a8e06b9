import { createReadStream, rmSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { databasePath, readOnly } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { asDownload } from '../../http/download'
import { inWorker } from '../../work/pool'

/** The whole database as one file. */
export default bytesRoute(async (event) => {
  // Beside a database that cannot be written to there is often no room for it either.
  const beside = readOnly() ? join(tmpdir(), 'elvant') : databasePath()
  const copy = `${beside}.${randomUUID()}.backup`
  // Also when the download is given up half-way, or the copy cannot be made whole.
  event.node.res.once('close', () => rmSync(copy, { force: true }))
  await inWorker({}, 'backUp', databasePath(), copy)
  const day = new Date().toISOString().slice(0, 10)
  asDownload(event, `elvant-${day}.backup`, 'application/octet-stream')
  return createReadStream(copy)
})
