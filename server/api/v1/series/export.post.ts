import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { whenGone } from '../../../http/whenGone'
import { bodyOf } from '../../../work/bodyOf'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'
import { inWorker } from '../../../work/pool'

const readRequest = bodyOf('export')

/** Chosen series with their adjustments, as a file. */
export default bytesRoute(async (event) => {
  const { ids, as } = await readRequest(event)
  const file = await inWorker({ until: whenGone(event) }, 'exportSeries', databasePath(), ids, as)
  if (!file) throw problem(404, 'None of these series is there.')
  asDownload(event, file.name, file.type)
  return Buffer.from(file.bytes)
})
