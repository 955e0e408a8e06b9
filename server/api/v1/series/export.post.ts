import { exportRequestSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { bytesRoute, check } from '../../../http/apiRoute'
import { readJsonBody } from '../../../http/body'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'
import { findSeries, toSeries } from '../../../series/seriesStore'
import { inWorker } from '../../../work/pool'

/** Chosen series with their adjustments, as a file. */
export default bytesRoute(async (event) => {
  const { ids, as } = check(exportRequestSchema, await readJsonBody(event), 400)
  // A series that is named again is the same one.
  const stored = [...new Set(ids)].flatMap((id) => findSeries(database(), id) ?? [])
  if (stored.length === 0) throw problem(404, 'None of these series is there.')
  const filed = stored.map((one) => ({ series: toSeries(one), group: one.group, notes: one.notes }))
  const { name, type, bytes } = await inWorker('exportSeries', filed, as)
  asDownload(event, name, type)
  return Buffer.from(bytes)
})
