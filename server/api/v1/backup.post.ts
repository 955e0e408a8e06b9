import { randomUUID } from 'node:crypto'
import { createWriteStream, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { setResponseStatus } from 'h3'
import { databasePath, nothingWritten, restoreDatabase } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { problem } from '../../http/problem'
import { inWorker } from '../../work/pool'

/** Beyond this a backup is restored by the command line. */
const MOST_BYTES = 4 * 1024 ** 3

/** Puts a backup in the place of everything; the body is the file. */
export default bytesRoute(async (event) => {
  const { req } = event.node
  if (Number(req.headers['content-length'] ?? 0) > MOST_BYTES) {
    throw problem(413, 'The backup is larger than 4 GB. Restore it by the command line.')
  }
  const upload = `${databasePath()}.${randomUUID()}.upload`
  try {
    await pipeline(req, createWriteStream(upload))
    const migrations = resolve('server/database/migrations')
    await inWorker({}, 'requireBackup', upload, migrations)
    await nothingWritten()
    restoreDatabase(upload, migrations)
  } finally {
    rmSync(upload, { force: true })
  }
  setResponseStatus(event, 204)
  return null
})
