import { cellAt, countUp, textAt, widthOf, type Row } from '../grid'
import { readPeriod } from '../periods/periodText'
import { readSeason, statedYear } from '../periods/seasonText'
import type { DayOrder } from '../periods/periodReading'
import { isFigure } from './figures'
import { mainKind } from './mainSeasons'

/** A row heads periods across the sheet when so many of its cells are periods. */
const FEWEST = 3
/** Rows that are looked at for such headings. */
const FIRST_ROWS = 50

/** Entry of the row that heads periods across the sheet, one a column, with a series in each row; −1 for none. */
export function rowOfPeriods(rows: readonly Row[], order: DayOrder): number {
  return rows
    .slice(0, FIRST_ROWS)
    .findIndex(
      (row) =>
        row.cells.filter((_, column) => readPeriod(textAt(row, column), order) !== null).length >=
          FEWEST || headsYears(row),
    )
}

/** Entry of the row that heads months or quarters without a year over named rows of figures; −1 for none. */
export function rowOfSeasons(rows: readonly Row[]): number {
  return rows.slice(0, FIRST_ROWS).findIndex((row, at) => {
    const seasons = row.cells.flatMap((_, column) => {
      const text = textAt(row, column)
      return /^\d+$/.test(text) ? [] : (readSeason(text) ?? [])
    })
    const kind = mainKind(seasons)
    const own = seasons.filter((season) => season.kind === kind)
    const isYear =
      own.length >= FEWEST &&
      own.every(({ at: place }, i) => i === 0 || place === own[i - 1]!.at + 1)
    const [first] = countUp(row.cells.length).filter(
      (column) => readSeason(textAt(row, column)) !== null,
    )
    const below = rows
      .slice(at + 1)
      .filter((other) => other.cells.some((_, column) => isFigure(other, column)))
    return (
      isYear &&
      first !== undefined &&
      first > 0 &&
      below.length > 0 &&
      below.every((other) => /\p{L}{2}/u.test(textAt(other, first - 1)))
    )
  })
}

/** Years one after the other, and nothing else with digits. */
function headsYears(row: Row): boolean {
  const years = row.cells.flatMap((_, column) => statedYear(textAt(row, column))?.year ?? [])
  return years.length >= FEWEST && years.every((year, i) => i === 0 || year === years[i - 1]! + 1)
}

/**
 * The rows with years over seasons joined into one heading: `2020` over `Q1`, carried right to the next year, is `2020-Q1`.
 *
 * @returns the same rows where no row of years stands over one of seasons
 */
export function joinYearsAndSeasons(rows: readonly Row[]): readonly Row[] {
  for (let at = 0; at + 1 < Math.min(rows.length, FIRST_ROWS); at++) {
    const [years, seasons] = [rows[at]!, rows[at + 1]!]
    const columns = countUp(seasons.cells.length).filter(
      (column) => readSeason(textAt(seasons, column)) !== null,
    )
    const stated = columns.filter((column) => statedYear(textAt(years, column)) !== null)
    if (columns.length < FEWEST || stated.length < 1 || stated[0] !== columns[0]) continue
    const yearOver = (column: number) => {
      const from = stated.findLast((start) => start <= column)
      return from === undefined ? '' : textAt(years, from)
    }
    if (!areSeasons(seasons, columns, yearOver)) continue
    const cells = seasons.cells.map((cell, column) =>
      columns.includes(column) ? said(yearOver(column), textAt(seasons, column)) : cell,
    )
    const above = years.cells.map((cell, column) => (columns.includes(column) ? '' : cell))
    return rows.map((row, i) =>
      i === at ? { ...row, cells: above } : i === at + 1 ? { ...row, cells } : row,
    )
  }
  return rows
}

/**
 * The row of periods with each of them carried right over the columns that the row below tells apart: `Jan 2021` once over
 * `Actual` and `Plan`.
 *
 * @returns the same rows where no period stands over several columns
 */
export function carryPeriods(rows: readonly Row[], at: number, order: DayOrder): readonly Row[] {
  const [periods, kinds] = [rows[at]!, rows[at + 1]]
  if (!kinds) return rows
  const stated = countUp(periods.cells.length).filter(
    (column) => readPeriod(textAt(periods, column), order) !== null,
  )
  const [first] = stated
  if (first === undefined) return rows
  const columns = countUp(kinds.cells.length).slice(first)
  const isKind = (text: string) => /\p{L}{2}/u.test(text)
  const blanks = columns.filter((column) => textAt(periods, column) === '')
  const repeats = new Set(columns.map((column) => textAt(kinds, column))).size
  if (
    blanks.length === 0 ||
    repeats * stated.length !== columns.length ||
    columns.some((column) => !isKind(textAt(kinds, column))) ||
    columns.some((column) => !blanks.includes(column) && !stated.includes(column))
  )
    return rows
  const cells = countUp(kinds.cells.length).map((column) => {
    const from = stated.findLast((start) => start <= column)
    return from === undefined ? cellAt(periods, column) : cellAt(periods, from)
  })
  return rows.map((row, i) => (i === at ? { ...row, cells } : row))
}

/** Seasons by name, or numbers that begin with 1 under each year and count on. */
function areSeasons(
  row: Row,
  columns: readonly number[],
  yearOver: (column: number) => string,
): boolean {
  if (columns.every((column) => !/^\d+$/.test(textAt(row, column)))) return true
  return columns.every((column, i) => {
    const isFirst = yearOver(column) !== yearOver(columns[i - 1] ?? -1)
    return Number(textAt(row, column)) === (isFirst ? 1 : Number(textAt(row, columns[i - 1]!)) + 1)
  })
}

function said(year: string, season: string): string {
  return /^\d{1,2}$/.test(season) ? `${year}-${season.padStart(2, '0')}` : `${year} ${season}`
}

/** The sheet turned over: its columns as rows. Line numbers are then those of the columns. */
export function turnOver(rows: readonly Row[]): Row[] {
  return countUp(widthOf(rows)).map((column) => ({
    line: column + 1,
    cells: rows.map((row) => cellAt(row, column)),
  }))
}
