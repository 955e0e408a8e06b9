import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'
import { whenGone } from '../../../http/whenGone'
import { bodyOf } from '../../../work/bodyOf'
import { inWorker } from '../../../work/pool'

const readRequest = bodyOf('exportForecasts')

/** The forecasts of series that were worked through, as a file. */
export default bytesRoute(async (event) => {
  const { ids, as } = await readRequest(event)
  const way = { until: whenGone(event) }
  const file = await inWorker(way, 'exportForecasts', databasePath(), as, ids)
  if (!file) throw problem(404, 'None of these series was worked through yet.')
  asDownload(event, file.name, file.type)
  return Buffer.from(file.bytes)
})
