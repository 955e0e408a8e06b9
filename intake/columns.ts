import type { RawRow } from './cells'
import { readPeriod, readYearAndPart, type PeriodReading } from './periodText'

/** Which columns (from 0) hold the periods, and how a row of them is read. */
export interface PeriodColumns {
  readonly columns: readonly number[]
  read(row: RawRow): PeriodReading | null
}

/** A column is taken for periods when at least this share of its cells reads as one. */
const MOSTLY = 0.5

/**
 * Finds the period column, or the two columns of year and month or quarter.
 *
 * @param rows all rows of the file, a header among them or not
 * @returns null when no column reads as periods
 */
export function findPeriodColumns(rows: readonly RawRow[]): PeriodColumns | null {
  const width = Math.max(0, ...rows.map((row) => row.cells.length))
  const columns = Array.from({ length: width }, (_, column) => column)
  const share = (fits: (row: RawRow) => boolean) =>
    rows.filter(fits).length / Math.max(1, rows.length)

  const single = columns
    .map((column) => ({ column, fit: share((row) => readPeriod(cell(row, column)) !== null) }))
    .filter(({ fit }) => fit >= MOSTLY)
    .sort((a, b) => b.fit - a.fit)[0]
  if (single) {
    const { column } = single
    return { columns: [column], read: (row) => readPeriod(cell(row, column)) }
  }

  for (const year of columns.filter(
    (at) => share((row) => /^\d{4}$/.test(cell(row, at))) >= MOSTLY,
  )) {
    for (const part of columns.filter((at) => at !== year)) {
      const isQuarter = meansQuarters(rows, part)
      const read = (row: RawRow) => readYearAndPart(cell(row, year), cell(row, part), isQuarter)
      if (share((row) => read(row) !== null) >= MOSTLY) return { columns: [year, part], read }
    }
  }
  return null
}

/** Numbers 1 to 4 mean quarters under a heading that says so; `Q1` speaks for itself. */
function meansQuarters(rows: readonly RawRow[], column: number): boolean {
  if (rows.some((row) => /^Q[1-4]$/i.test(cell(row, column)))) return true
  return /quarter|qtr|^q$/i.test(cell(rows[0]!, column))
}

export function cell(row: RawRow, column: number): string {
  return row.cells[column] ?? ''
}
