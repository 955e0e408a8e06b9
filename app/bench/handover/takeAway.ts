import { forecastTable, ledgerTable, type FigureTable } from '~~/core/ledger/table'
import type { Result } from '~~/core/result'
import { tableAsCsv, tableAsTabs, type DecimalMark } from '~~/handover/tableText'

/** The tables that can be taken from the Bench. */
export const TABLES = {
  ledger: { label: 'the ledger', of: ledgerTable },
  forecast: { label: 'the forecast', of: forecastTable },
} as const satisfies Record<string, { label: string; of: (result: Result) => FigureTable }>
export type TableName = keyof typeof TABLES

/** Hands a table to the browser as a CSV file; a byte-order mark tells spreadsheets its encoding. */
export function saveAsCsv(result: Result, name: TableName, decimal: DecimalMark): void {
  const text = tableAsCsv(TABLES[name].of(result), decimal)
  saveText(text, `${fileName(result.series.name)} - ${name}.csv`)
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
export function copyTable(result: Result, name: TableName, decimal: DecimalMark): Promise<void> {
  return navigator.clipboard.writeText(tableAsTabs(TABLES[name].of(result), decimal))
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
