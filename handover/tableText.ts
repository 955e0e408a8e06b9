import Papa from 'papaparse'
import type { FigureTable } from '../core/ledger/table'

/**
 * A table as CSV that a spreadsheet opens safely: text that begins like a formula (= + - @) is
 * quoted as text. Figures are written in full, with a decimal point; undefined is an empty cell.
 */
export function tableAsCsv(table: FigureTable): string {
  return Papa.unparse(lines(table), { escapeFormulae: true, newline: '\r\n' }) + '\r\n'
}

/** A table as tab-separated text, for the clipboard: it pastes into a spreadsheet cell by cell. */
export function tableAsTabs(table: FigureTable): string {
  return Papa.unparse(lines(table), { escapeFormulae: true, delimiter: '\t', newline: '\n' })
}

function lines(table: FigureTable): unknown[][] {
  return [[...table.header], ...table.rows.map((row) => [...row])]
}
