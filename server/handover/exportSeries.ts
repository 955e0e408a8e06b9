import { zipSync, strToU8 } from 'fflate'
import type { FigureTable } from '../../core/ledger/table'
import { dataPackage, type FiledSeries } from '../../handover/dataPackage'
import { adjustmentTable, seriesTables } from '../../handover/seriesTables'
import { tableAsCsv } from '../../handover/tableText'
import { tableSheet } from '../../handover/workbook/tableSheet'
import { writeWorkbook } from '../../handover/workbook/writeWorkbook'
import type { ExportKind } from '../../shared/api/series'

/** A file ready to be saved. */
export interface ExportedFile {
  readonly name: string
  readonly type: string
  readonly bytes: Uint8Array
}

const ZIP = 'application/zip'
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
/** A byte-order mark tells spreadsheets the encoding. */
const MARK = '\uFEFF'

/** Series with their adjustments as CSV (a zip of several when they are counted differently), XLSX or a data package. */
export async function exportSeries(
  filed: readonly FiledSeries[],
  kind: ExportKind,
): Promise<ExportedFile> {
  if (kind === 'package') return { name: 'series.zip', type: ZIP, bytes: dataPackage(filed) }
  const series = filed.map((own) => own.series)
  const tables = seriesTables(series)
  if (kind === 'xlsx') return { name: 'series.xlsx', type: XLSX, bytes: await asWorkbook() }
  const files = tables.map((table) => [`${table.name}.csv`, MARK + tableAsCsv(table)] as const)
  const [only] = files
  if (files.length === 1) {
    return { name: 'series.csv', type: 'text/csv;charset=utf-8', bytes: strToU8(only![1]) }
  }
  const parts = Object.fromEntries(files.map(([name, text]) => [name, strToU8(text)]))
  return { name: 'series.zip', type: ZIP, bytes: zipSync(parts) }

  async function asWorkbook(): Promise<Uint8Array> {
    const adjustments = adjustmentTable(series)
    const sheets = [
      ...tables.map((table) => ({ name: table.name, table: table as FigureTable })),
      ...(adjustments.rows.length > 0 ? [{ name: 'adjustments', table: adjustments }] : []),
    ]
    return writeWorkbook(sheets.map(({ name, table }) => tableSheet(name, table)))
  }
}
