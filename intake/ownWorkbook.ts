import type { Cell, Row, Sheet, Workbook } from './grid'

/** Where a workbook of Elvant names itself and its series: the first column of its first sheet says what the second holds. */
export const OWN_WORKBOOK = {
  about: 'Read me',
  series: 'series',
  ledger: 'Ledger',
  /** The first two cells of the ledger's first row; its second row begins with the last. */
  head: ['period', 't'],
  units: 'unit',
  /** Column of the values as they came in, from 0. */
  values: 2,
} as const

/**
 * The series that a workbook of Elvant was made from, as a sheet of its own: periods, and the values as they came in. The other
 * columns are calculated from them, and the rows behind them are a forecast.
 *
 * @returns null for any other workbook
 */
export function seriesOfOwnWorkbook({ sheets }: Pick<Workbook, 'sheets'>): Sheet | null {
  const about = sheets.find(({ name }) => name === OWN_WORKBOOK.about)
  const ledger = sheets.find(({ name }) => name === OWN_WORKBOOK.ledger)
  const [head, units] = ledger?.rows ?? []
  const isLedger =
    OWN_WORKBOOK.head.every((name, i) => head?.cells[i] === name) &&
    units?.cells[0] === OWN_WORKBOOK.units
  const [first] = about?.rows ?? []
  if (!ledger || !isLedger || first?.cells[0] !== OWN_WORKBOOK.series) return null
  const only = (row: Row, value: Cell): Row => ({
    line: row.line,
    cells: [row.cells[0] ?? '', value],
  })
  const values = ledger.rows.slice(2).map((row) => only(row, row.cells[OWN_WORKBOOK.values] ?? ''))
  const last = values.findLastIndex(({ cells }) => cells[1] !== '')
  return {
    name: ledger.name,
    rows: [only(head!, first.cells[1] ?? ''), ...values.slice(0, last + 1)],
  }
}
