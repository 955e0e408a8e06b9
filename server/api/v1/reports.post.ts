import { databasePath } from '../../database/current'
import { bytesRoute } from '../../http/apiRoute'
import { readJsonBytes } from '../../http/body'
import { asDownload } from '../../http/download'
import { problem } from '../../http/problem'
import { whenGone } from '../../http/whenGone'
import { inWorker } from '../../work/pool'

/** One report on chosen series, as a page to be saved. */
export default bytesRoute(async (event) => {
  const body = await readJsonBytes(event)
  const page = await inWorker({ until: whenGone(event) }, 'report', databasePath(), body)
  if (!page) throw problem(404, 'None of these series is there.')
  asDownload(event, 'report.html', 'text/html;charset=utf-8')
  return Buffer.from(page)
})
