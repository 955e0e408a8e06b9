import { textAt, widthOf, type Row } from '../grid'
import { Unreadable, type Inquiry } from '../inquiry'
import { yearOf } from './periodReading'
import { statedYear } from './seasonText'

/** Two numbers of one or two digits, as `03/21` and `21-03`. */
const SHORT = /^(\d{1,2})[-/](\d{1,2})$/
/** A column is one of short dates when at least this share of its filled cells is, its heading aside. */
const MOSTLY = 0.8
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
/** Ways to read two numbers, the most usual first. */
const WAYS = ['month-year', 'year-month', 'day-month', 'month-day'] as const
type Way = (typeof WAYS)[number]

const SAYS: Record<Way, string> = {
  'month-year': 'the month and the year',
  'year-month': 'the year and the month',
  'day-month': 'the day and the month, without a year',
  'month-day': 'the month and the day, without a year',
}

/**
 * Writes out dates of two numbers (`03/21` as `2021-03`) in the first column of them, or in a row of headings. Which number is what is taken from the
 * order of the rows where only one reading runs on without a gap; else it is asked.
 *
 * @returns the rows, that column written out; the same rows where there is no such column
 * @throws Waiting for an answer
 */
export function writeOutShortDates(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const column = columnOfShortDates(rows)
  const days = column < 0 ? null : asDaysOfYear(rows, column)
  if (days) return days
  const across = column < 0 ? rowOfShortDates(rows) : undefined
  if (column < 0 && !across) return rows
  const isDate = (row: Row, at: number) =>
    (across ? row === across : at === column) && SHORT.test(textAt(row, at))
  const texts = rows.flatMap((row) =>
    row.cells.flatMap((_, at) => (isDate(row, at) ? [textAt(row, at)] : [])),
  )
  const possible = WAYS.filter((way) => texts.every((text) => placeOf(text, way) !== null))
  const runs = possible.filter((way) => isUnbroken(texts.map((text) => placeOf(text, way)!)))
  const offered = possible.filter(
    (way) => hasYear(way) || !runs.some(hasYear) || texts.every((text) => isEndOfMonth(text, way)),
  )
  if (offered.length === 0) return rows
  const running = runs.filter((way) => offered.includes(way))
  const clear = running.length === 1 ? running[0] : offered.length === 1 ? offered[0] : undefined
  const [first] = texts as [string]
  const way = inquiry.ask({
    id: 'short-dates',
    ask: `What are the two numbers of "${first}"?`,
    options: offered.map((value) => ({
      value,
      consequence: `They are ${SAYS[value]}: ${written(first, value)}${runs.includes(value) ? ', and the rows follow one another' : ''}.`,
    })),
    ...(clear ? { otherwise: clear } : {}),
  }) as Way
  if (!hasYear(way)) {
    throw new Unreadable([
      {
        line: rows.find((row) => row.cells.some((_, at) => isDate(row, at)))!.line,
        column: column < 0 ? null : column + 1,
        because: `"${first}" is a day without a year. Write the year with it.`,
      },
    ])
  }
  return rows.map((row) =>
    row.cells.some((_, at) => isDate(row, at))
      ? {
          ...row,
          cells: row.cells.map((cell, at) => (isDate(row, at) ? written(String(cell), way) : cell)),
        }
      : row,
  )
}

/**
 * Days without a year, said as `31 Dec`: where years head the columns beside them, or they can be nothing else.
 *
 * @returns null where they may be months of years, or both numbers may be the day
 */
function asDaysOfYear(rows: readonly Row[], column: number): readonly Row[] | null {
  const texts = rows.map((row) => textAt(row, column))
  const dates = texts.filter((text) => SHORT.test(text))
  const hasYears = rows
    .slice(
      0,
      texts.findIndex((text) => SHORT.test(text)),
    )
    .some(({ cells }) => cells.filter((cell) => statedYear(String(cell)) !== null).length >= 2)
  // A year has days in each of its months, and in their middle.
  const isYear = new Set(dates).size > 24 && new Set(dates).size === dates.length
  if (!hasYears && !isYear) return null
  const ways = (['day-month', 'month-day'] as const).filter((way) => {
    const places = dates.map((text) => placeOf(text, way))
    const falls = places.filter((place, i) => i > 0 && place! < places[i - 1]!).length
    return !places.includes(null) && falls <= dates.length / 20
  })
  const [way] = ways
  if (
    ways.length !== 1 ||
    (!hasYears && isUnbroken(dates.map((text) => placeOf(text, 'month-year') ?? 0)))
  )
    return null
  const said = (text: string) => {
    const [, first, second] = SHORT.exec(text)!
    const [day, month] = way === 'day-month' ? [first!, second!] : [second!, first!]
    return `${Number(day)} ${MONTHS[Number(month) - 1]}`
  }
  return rows.map((row) =>
    SHORT.test(textAt(row, column))
      ? { ...row, cells: row.cells.map((cell, at) => (at === column ? said(String(cell)) : cell)) }
      : row,
  )
}

function hasYear(way: Way): boolean {
  return way === 'month-year' || way === 'year-month'
}

/** A day that months are written by: the first, or one of the last. */
function isEndOfMonth(text: string, way: Way): boolean {
  const [, first, second] = SHORT.exec(text)!
  const day = Number(way === 'day-month' ? first : second)
  return day === 1 || day >= 28
}

function columnOfShortDates(rows: readonly Row[]): number {
  for (let column = 0; column < Math.min(10, widthOf(rows)); column++) {
    const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
    const from = texts.findIndex((text) => SHORT.test(text))
    if (from < 0) continue
    const body = texts.slice(from)
    const count = body.filter((text) => SHORT.test(text)).length
    if (count >= 2 && count >= MOSTLY * body.length) return column
  }
  return -1
}

/** The row of headings that are short dates, where periods run across. */
function rowOfShortDates(rows: readonly Row[]): Row | undefined {
  return rows
    .slice(0, 50)
    .find((row) => row.cells.filter((_, at) => SHORT.test(textAt(row, at))).length >= 3)
}

/** Months, or days of a year without a name, counted on; null for what is no date so. */
function placeOf(text: string, way: Way): number | null {
  const [, first, second] = SHORT.exec(text)!
  const [a, b] = way === 'month-year' || way === 'day-month' ? [second!, first!] : [first!, second!]
  if (way === 'month-year' || way === 'year-month') {
    const year = a.length === 2 ? yearOf(a) : null
    return year === null || +b < 1 || +b > 12 ? null : year * 12 + +b
  }
  return +a < 1 || +a > 12 || +b < 1 || +b > 31 ? null : +a * 31 + +b
}

function isUnbroken(places: readonly number[]): boolean {
  const steps = places.slice(1).map((place, i) => place - places[i]!)
  return steps.length > 0 && steps.every((step) => step === steps[0] && step !== 0)
}

/** As a month with its year; a day without one as it would be said, which is no period. */
function written(text: string, way: Way): string {
  const [, first, second] = SHORT.exec(text)!
  const two = (number: string) => number.padStart(2, '0')
  switch (way) {
    case 'month-year':
      return `${yearOf(second!)}-${two(first!)}`
    case 'year-month':
      return `${yearOf(first!)}-${two(second!)}`
    case 'day-month':
      return `day ${+first!} of month ${+second!}`
    case 'month-day':
      return `day ${+second!} of month ${+first!}`
  }
}
