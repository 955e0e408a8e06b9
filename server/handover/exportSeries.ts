import { dataPackage, type FiledSeries } from '../../handover/dataPackage'
import { adjustmentTable, seriesTables } from '../../handover/seriesTables'
import type { ExportKind } from '../../shared/api/series'
import { csvFile, xlsxFile, zipFile, type ExportedFile } from './exportedFile'

/** Series with their adjustments as CSV (a zip of several when they are counted differently), XLSX or a data package. */
export async function exportSeries(
  filed: readonly FiledSeries[],
  kind: ExportKind,
): Promise<ExportedFile> {
  const series = filed.map((own) => own.series)
  const tables = seriesTables(series).map((table) => ({ name: table.name, table }))
  switch (kind) {
    case 'csv':
      return csvFile('series', tables)
    case 'xlsx': {
      const adjustments = adjustmentTable(series)
      const more = adjustments.rows.length > 0 ? [{ name: 'adjustments', table: adjustments }] : []
      return xlsxFile('series', [...tables, ...more])
    }
    case 'package':
      return zipFile('series', dataPackage(filed))
  }
}
