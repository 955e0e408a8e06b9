import { textAt, type Row } from '../grid'
import { figureOf, isFigure, MARKS } from './figures'

/** Rows that one adds up at the most, but for all of them: a year of months, or of weeks. */
const MOST = 53
/** Rows up to which all of them together are looked at: of more, every row without a period would cost as much as the table. */
const MOST_IN_ALL = 2000

/**
 * Whether a row adds up the last of those before it, to the last digit in every column of figures: a total, whatever it is called.
 *
 * @param before rows of periods above it, without other totals, in their order
 * @param columns that hold figures to be added up
 * @example addsUpBefore({ cells: ['Whole', 60] }, [['Jan', 10], ['Feb', 20], ['Mar', 30]] as rows, [1]) // true
 */
export function addsUpBefore(
  row: Row,
  before: readonly Row[],
  columns: readonly number[],
): boolean {
  const own = columns.filter((column) => isFigure(row, column))
  if (own.length === 0 || before.length < 2) return false
  return MARKS.some((mark) => {
    const sums = own.map(() => 0)
    const said = own.map((column) => figureOf(row, column, mark))
    if (said.every((value) => value === 0)) return false
    const most = before.length <= MOST_IN_ALL ? before.length : MOST
    for (let count = 1; count <= most; count++) {
      const added = before[before.length - count]!
      own.forEach((column, i) => (sums[i]! += figureOf(added, column, mark)))
      const mayBe = count > 1 && (count <= MOST || count === before.length)
      if (mayBe && sums.every((sum, i) => isSame(sum, said[i]!))) return true
    }
    return false
  })
}

/** Cents that were added up lose their last binary digits. */
function isSame(sum: number, said: number): boolean {
  return Math.abs(sum - said) <= 1e-9 * Math.abs(said) + 1e-9
}

/** Columns that hold figures in a row and no period. */
export function figureColumns(row: Row, periods: readonly number[]): number[] {
  return row.cells.flatMap((_, column) =>
    !periods.includes(column) && textAt(row, column) !== '' && isFigure(row, column)
      ? [column]
      : [],
  )
}
