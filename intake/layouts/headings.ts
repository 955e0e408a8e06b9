import { cellAt, textAt, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { readNumber } from '../numbers/numberText'
import { readPeriod } from '../periods/periodText'
import { titleOf } from './observations'
import { looksLikeUnit } from './units'

/** Rows of headings over one another at the most. */
const MOST_LEVELS = 3

/** What stands over the columns of a table. */
export interface Headings {
  /** Entries of the rows that are headings, the lowest first. */
  readonly rows: readonly number[]
  /** The lowest row's text over a column. */
  textOf(column: number): string
  titleOf(column: number): { readonly name: string; readonly unit: string }
}

/**
 * Reads the headings over a table: one row, several joined into names (`North · Units`), or names with their units in a row
 * of its own.
 *
 * @param first entry of the first row with a period
 * @param isData whether a row holds figures rather than words
 * @throws Unreadable for a stated line that is not there
 */
export function headingsAbove(
  rows: readonly Row[],
  first: number,
  periods: readonly number[],
  isData: (row: Row) => boolean,
  { answers }: Inquiry,
): Headings {
  const lowest = lowestRow(rows, first, periods, isData, answers.header)
  if (lowest < 0) return { rows: [], textOf: () => '', titleOf: (column) => titleOf('', column) }
  const levels = [lowest]
  if (answers.header === undefined) {
    for (let at = lowest - 1; at >= 0 && levels.length < MOST_LEVELS; at--) {
      if (!isLevel(rows[at]!, periods)) break
      levels.push(at)
    }
  }
  const columns = rows[lowest]!.cells.length
  const textOf = (column: number) => textAt(rows[lowest]!, column)
  const unitsBelow = levels.length > 1 && areUnits(rows[lowest]!, rows[levels[1]!]!, periods)
  const names = (unitsBelow ? levels.slice(1) : levels)
    .map((at, level) =>
      level === 0 && !unitsBelow
        ? rows[at]!.cells.map(String)
        : carriedRight(rows[at]!, columns, unitsBelow && level === 0),
    )
    .reverse()
  return {
    rows: levels,
    textOf,
    titleOf(column) {
      const parts = names.map((level) => level[column] ?? '').filter((text) => text !== '')
      const own = parts.filter((text, i) => text !== parts[i - 1])
      const title = titleOf(own.join(' · '), column)
      if (!unitsBelow) return title
      const unit = textOf(column).replace(/^[([](.*)[)\]]$/, '$1')
      return { name: title.name, unit: title.unit || unit }
    },
  }
}

function lowestRow(
  rows: readonly Row[],
  first: number,
  periods: readonly number[],
  isData: (row: Row) => boolean,
  stated: string | undefined,
): number {
  if (stated === 'none') return -1
  if (stated !== undefined) {
    const at = rows.findIndex(({ line }) => String(line) === stated)
    if (at >= 0) return at
    throw new Unreadable([
      whole(`The sheet has no line ${stated} with headings; say a line, or none.`),
    ])
  }
  for (let at = first - 1; at >= 0; at--) {
    const row = rows[at]!
    if (isData(row)) continue
    const beside = row.cells.filter((cell, column) => cell !== '' && !periods.includes(column))
    if (beside.length > 0 && (new Set(row.cells).size > 1 || row.cells.length === 1)) return at
  }
  return -1
}

/** Different words over two columns of figures or more; a title stands over one, or merged over all. */
function isLevel(row: Row, periods: readonly number[]): boolean {
  const beside = row.cells.filter((cell, column) => cell !== '' && !periods.includes(column))
  return (
    new Set(beside).size >= 2 &&
    beside.every(
      (cell) =>
        typeof cell === 'string' &&
        readNumber(cell, 'point').kind !== 'number' &&
        readPeriod(cell, 'day-first') === null,
    )
  )
}

/** Whether the lower row says the units of the names above it. */
function areUnits(lower: Row, upper: Row, periods: readonly number[]): boolean {
  const filled = lower.cells.flatMap((cell, column) =>
    cell === '' || periods.includes(column) ? [] : [column],
  )
  const isUnit = (text: string) =>
    looksLikeUnit(text.replace(/^[([](.*)[)\]]$/, '$1')) || /^[([].*[)\]]$/.test(text)
  return (
    filled.length > 0 &&
    filled.every((column) => isUnit(textAt(lower, column)) && cellAt(upper, column) !== '')
  )
}

/** A heading over several columns stands over the first of them. */
function carriedRight(row: Row, columns: number, isFull: boolean): string[] {
  let last = ''
  return Array.from({ length: Math.max(columns, row.cells.length) }, (_, column) => {
    const text = textAt(row, column)
    if (text !== '') last = text
    return isFull || text !== '' ? text : last
  })
}
