import { exportRequestSchema } from '../../../../shared/api/series'
import { databasePath } from '../../../database/current'
import { bytesRoute } from '../../../http/apiRoute'
import { whenGone } from '../../../http/whenGone'
import { readJsonBody } from '../../../http/body'
import { check } from '../../../http/check'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'
import { inWorkerUntil } from '../../../work/pool'

/** Chosen series with their adjustments, as a file. */
export default bytesRoute(async (event) => {
  const { ids, as } = check(exportRequestSchema, await readJsonBody(event), 400)
  const file = await inWorkerUntil(whenGone(event), 'exportSeries', databasePath(), ids, as)
  if (!file) throw problem(404, 'None of these series is there.')
  asDownload(event, file.name, file.type)
  return Buffer.from(file.bytes)
})
