import { cellAt, countUp, textAt, widthOf, type Row } from '../grid'
import { readPeriod } from '../periods/periodText'
import type { DayOrder } from '../periods/periodReading'

/** A row heads periods across the sheet when so many of its cells are periods. */
const FEWEST = 3

/** Whether periods run across the sheet, one a column, with a series in each row. */
export function runsAcross(rows: readonly Row[], order: DayOrder): boolean {
  return rows
    .slice(0, 50)
    .some(
      (row) =>
        row.cells.filter((_, column) => readPeriod(textAt(row, column), order) !== null).length >=
        FEWEST,
    )
}

/** The sheet turned over: its columns as rows. Line numbers are then those of the columns. */
export function turnOver(rows: readonly Row[]): Row[] {
  return countUp(widthOf(rows)).map((column) => ({
    line: column + 1,
    cells: rows.map((row) => cellAt(row, column)),
  }))
}
