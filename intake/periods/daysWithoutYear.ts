import { countUp, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { yearStatedAbove } from '../layouts/statedAbove'
import { readDayOfYear } from './dayOfYear'
import { monthByName } from './monthNames'
import { dayNumber, dayOf, yearOf } from './periodReading'
import { statedYear } from './seasonText'

/** A column is one of days when at least this share of its filled cells is, its heading aside. */
const MOSTLY = 0.8
/** Days from which a column is one of them; fewer can be anything. */
const FEWEST = 20
/** Days of the month that there are of at the least: codes of three depots beside months are none. */
const FEWEST_OF_A_MONTH = 15
/** Days that each month has rows of, on average: of months with their years it is one. */
const IN_A_MONTH = 3
/** Columns among which the days are looked for. */
const FIRST_COLUMNS = 10
/** Rows that may be headings of years. */
const FIRST_ROWS = 50

/** A day of a year that is not known yet. */
interface Day {
  readonly month: number
  readonly day: number
}

/**
 * Writes out days that have no year (`1 Jan`, `31.12.`, or `Jan` in one column beside `1` in the next): the year of the first is
 * asked for, and goes up where the days begin anew. Days under years are left to those.
 *
 * @returns the rows, the column of days written out as dates; the same rows where there is none
 * @throws Waiting for the year
 * @throws Unreadable for an answer that is no year
 */
export function writeOutDaysWithoutYear(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const found = daysIn(rows)
  if (!found) return rows
  const first = found.days.findIndex((day) => day !== null)
  const above = yearStatedAbove(rows.slice(0, first))
  const { month, day } = found.days[first]!
  const stated = inquiry
    .ask({
      id: 'start',
      ask: `The rows begin with day ${day} of month ${month}, without a year. Which year is that? It is written 2021.`,
      options: [],
      ...(above === null ? {} : { otherwise: String(above) }),
    })
    .trim()
  const start = /^\d{4}$/.test(stated) ? yearOf(stated) : null
  if (start === null) {
    throw new Unreadable([whole(`"${stated}" is no year for the first row; it is written 2021.`)])
  }
  let year = start
  let before = 0
  return rows.map((row, at) => {
    const own = found.days[at]
    if (!own) return row
    const place = own.month * 31 + own.day
    if (place < before) year++
    before = place
    const date = dayOf(year, own.month, own.day)
    const text = date
      ? new Date(dayNumber(year, own.month, own.day) * 86_400_000).toISOString().slice(0, 10)
      : textAt(row, found.column)
    return {
      ...row,
      cells: row.cells.map((cell, column) => (column === found.column ? text : cell)),
    }
  })
}

/** The column of days, and what it says in each row; null where there is none, or years stand beside or above it. */
function daysIn(
  rows: readonly Row[],
): { readonly column: number; readonly days: readonly (Day | null)[] } | null {
  const columns = countUp(Math.min(FIRST_COLUMNS, widthOf(rows)))
  const sample = rows.slice(0, FIRST_ROWS)
  const hasYears = sample.some(
    ({ cells }) => cells.filter((cell) => statedYear(String(cell)) !== null).length >= 2,
  )
  const isYears = (column: number) =>
    isMostly(
      rows.map((row) => (statedYear(textAt(row, column)) ? { month: 1, day: 1 } : null)),
      rows,
      column,
    )
  if (hasYears || columns.some(isYears)) return null
  for (const column of columns) {
    const days = rows.map((row) => readDayOfYear(textAt(row, column)))
    if (isMostly(days, rows, column) && goOn(days)) return { column, days }
    let month: number | null = null
    const beside = rows.map((row): Day | null => {
      month = monthByName(textAt(row, column)) ?? month
      const text = textAt(row, column + 1)
      const day = /^\d{1,2}\.?$/.test(text) ? parseInt(text, 10) : 0
      return month !== null && day >= 1 && day <= 31 ? { month, day } : null
    })
    if (isMostly(beside, rows, column + 1) && goOn(beside))
      return { column: column + 1, days: beside }
  }
  return null
}

function isMostly(days: readonly (Day | null)[], rows: readonly Row[], column: number): boolean {
  const first = days.findIndex((day) => day !== null)
  const filled = rows.filter((row, at) => at >= first && textAt(row, column) !== '').length
  const count = days.filter((day) => day !== null).length
  return first >= 0 && count >= FEWEST && count >= MOSTLY * filled
}

/** Whether days follow one another, several in each month, and begin anew once in many rows at the most: `Jan 16` may be 2016. */
function goOn(days: readonly (Day | null)[]): boolean {
  const present = days
    .filter((day) => day !== null)
    .filter((day, i, all) => day.month !== all[i - 1]?.month || day.day !== all[i - 1]!.day)
  const places = present.map(({ month, day }) => month * 31 + day)
  const falls = places.filter((place, i) => i > 0 && place < places[i - 1]!).length
  const months = present.filter(({ month }, i) => month !== present[i - 1]?.month).length
  const different = new Set(present.map(({ day }) => day)).size
  if (different < FEWEST_OF_A_MONTH) return false
  return places.length >= IN_A_MONTH * months && falls <= places.length / FEWEST
}
