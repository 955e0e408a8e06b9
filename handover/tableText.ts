import Papa from 'papaparse'
import type { FigureTable } from '../core/ledger/table'

/** How the figures of a text table are written: in full either way. */
export type DecimalMark = 'point' | 'comma'

/**
 * A table as CSV that a spreadsheet opens safely: text that begins like a formula (= + - @) is
 * quoted as text. Figures are written in full; undefined is an empty cell.
 *
 * @param decimal with a comma, cells are separated by semicolons, as spreadsheets of such a locale expect
 */
export function tableAsCsv(table: FigureTable, decimal: DecimalMark = 'point'): string {
  const delimiter = decimal === 'comma' ? ';' : ','
  return (
    Papa.unparse(lines(table, decimal), {
      ...{ escapeFormulae: FORMULA, delimiter, newline: '\r\n' },
      quotes: hasOtherDelimiter,
    }) + '\r\n'
  )
}

/** A table as tab-separated text, for the clipboard: it pastes into a spreadsheet cell by cell. */
export function tableAsTabs(table: FigureTable, decimal: DecimalMark = 'point'): string {
  const delimiter = '\t'
  return Papa.unparse(lines(table, decimal), { escapeFormulae: FORMULA, delimiter, newline: '\n' })
}

/**
 * What a spreadsheet would take for a formula: text that begins like one, but for a negative figure. Text that begins with
 * apostrophes and then like a formula gets one more, so that taking one off always gives back what was written.
 */
const FORMULA = /^(?!-\d[\d,.]*(?:e[+-]?\d+)?$)'*[=+\-@\t\r＝＋－＠]/

/** A program that cuts at another delimiter would make cells of parts of a name, and a formula of one: `a;=1+1`. */
function hasOtherDelimiter(cell: unknown): boolean {
  return typeof cell === 'string' && /[;,\t|]/.test(cell) && !/^-?\d+,\d+(e[+-]?\d+)?$/.test(cell)
}

function lines(table: FigureTable, decimal: DecimalMark): unknown[][] {
  const heading = (table.heading ?? []).map((line) => [line])
  const rows = [
    ...heading,
    // An empty line tells what a table is about from what it holds.
    ...(heading.length > 0 ? [['']] : []),
    [...table.header],
    ...table.rows.map((row) => [...row]),
  ]
  if (decimal === 'point') return rows
  return rows.map((row) => row.map(withComma))
}

function withComma(cell: unknown): unknown {
  if (typeof cell !== 'number') return cell
  return String(cell).replace('.', ',')
}
