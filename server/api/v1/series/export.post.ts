import { exportRequestSchema } from '../../../../shared/api/series'
import { database } from '../../../database/current'
import { bytesRoute, check } from '../../../http/apiRoute'
import { readJsonBody } from '../../../http/body'
import { asDownload } from '../../../http/download'
import { problem } from '../../../http/problem'
import { exportSeries } from '../../../handover/exportSeries'
import { findSeries, toSeries } from '../../../series/seriesStore'

/** Chosen series with their adjustments, as a file. */
export default bytesRoute(async (event) => {
  const { ids, as } = check(exportRequestSchema, await readJsonBody(event), 400)
  const stored = ids.flatMap((id) => findSeries(database(), id) ?? [])
  if (stored.length === 0) throw problem(404, 'None of these series is there.')
  const filed = stored.map((one) => ({ series: toSeries(one), group: one.group, notes: one.notes }))
  const { name, type, bytes } = await exportSeries(filed, as)
  asDownload(event, name, type)
  return Buffer.from(bytes)
})
