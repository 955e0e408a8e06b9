import { strToU8, zipSync } from 'fflate'
import type { FigureTable } from '../../core/ledger/table'
import { tableAsCsv } from '../../handover/tableText'
import { tableSheet } from '../../handover/workbook/tableSheet'
import { writeWorkbook } from '../../handover/workbook/writeWorkbook'

/** A file ready to be saved. */
export interface ExportedFile {
  readonly name: string
  readonly type: string
  readonly bytes: Uint8Array
}

/** A table, and what it is called where several leave together. */
export interface NamedTable {
  readonly name: string
  readonly table: FigureTable
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
/** A byte-order mark tells spreadsheets the encoding. */
const MARK = '\uFEFF'

/** What is a zip already. */
export function zipFile(name: string, bytes: Uint8Array): ExportedFile {
  return { name: `${name}.zip`, type: 'application/zip', bytes }
}

/** A table as CSV; several as a zip of them. */
export function csvFile(name: string, tables: readonly NamedTable[]): ExportedFile {
  const files = tables.map(
    (one) => [`${one.name}.csv`, strToU8(MARK + tableAsCsv(one.table))] as const,
  )
  const [only] = files
  if (files.length === 1) {
    return { name: `${name}.csv`, type: 'text/csv;charset=utf-8', bytes: only![1] }
  }
  return zipFile(name, zipSync(Object.fromEntries(files)))
}

/** Tables as the sheets of a workbook. */
export async function xlsxFile(name: string, tables: readonly NamedTable[]): Promise<ExportedFile> {
  const bytes = await writeWorkbook(tables.map((one) => tableSheet(one.name, one.table)))
  return { name: `${name}.xlsx`, type: XLSX, bytes }
}
