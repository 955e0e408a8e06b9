import type { FigureTable } from '~~/core/ledger/table'
import { tableAsCsv, tableAsTabs, type DecimalMark } from '~~/handover/tableText'

/** A table that can be taken from the Bench; it is made when it is taken. */
export interface TableToTake {
  readonly name: string
  /** In a button: `Save the ledger as CSV`. */
  readonly label: string
  make(): FigureTable
}

/** Hands a table to the browser as a CSV file; a byte-order mark tells spreadsheets its encoding. */
export function saveAsCsv(table: TableToTake, series: string, decimal: DecimalMark): void {
  saveText(tableAsCsv(table.make(), decimal), `${fileName(series)} - ${table.name}.csv`)
}

/** Hands CSV to the browser as a file. */
export function saveText(csv: string, name: string): void {
  saveBlob(new Blob(['\uFEFF', csv], { type: 'text/csv;charset=utf-8' }), name)
}

/** Hands bytes to the browser as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 1000)
}

/** Puts a table on the clipboard, ready to be pasted into a spreadsheet. */
export function copyTable(table: TableToTake, decimal: DecimalMark): Promise<void> {
  return navigator.clipboard.writeText(tableAsTabs(table.make(), decimal))
}

/** A series name without what a file name cannot hold. */
export function fileName(name: string): string {
  // eslint-disable-next-line no-control-regex
  const safe = name.replace(/[\\/:*?"<>|\u0000-\u001f]/g, ' ').replace(/\s+/g, ' ')
  return (
    safe
      .replace(/^[.\s]+/, '')
      .trim()
      .slice(0, 80) || 'series'
  )
}
