import { createReadStream, rmSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { backUp } from '../../backup/backup'
import { databasePath } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { asDownload } from '../../http/download'

/** The whole database as one file. */
export default bytesRoute((event) => {
  const copy = `${databasePath()}.${randomUUID()}.backup`
  backUp(databasePath(), copy)
  const day = new Date().toISOString().slice(0, 10)
  asDownload(event, `elvant-${day}.backup`, 'application/octet-stream')
  const stream = createReadStream(copy)
  stream.on('close', () => rmSync(copy, { force: true }))
  return stream
})
