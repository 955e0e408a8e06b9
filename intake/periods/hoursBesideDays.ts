import { countUp, textAt, widthOf, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { hoursCountFrom, readHour } from './hourText'
import { readPeriod } from './periodText'

const HOUR_HEADING = /^(hour|hr|h|time|stunde|uhrzeit|zeit|heure|hora|ora)( of (the )?day)?$/i
/** Columns among which days and hours stand. */
const FIRST_COLUMNS = 10
/** Rows among which their heading is. */
const FIRST_ROWS = 20
/** Fewer are no hours of a day, but shifts or something else. */
const FEWEST = 6

/**
 * Writes hours that have a column of their own behind the days beside them: `2024-01-31` and `5` become `2024-01-31 05:00`.
 *
 * @returns the rows, the column of hours emptied; the same rows where there is none
 */
export function writeOutHours(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const columns = countUp(Math.min(FIRST_COLUMNS, widthOf(rows)))
  for (const [header, row] of rows.slice(0, FIRST_ROWS).entries()) {
    const hourColumn = columns.find((column) => HOUR_HEADING.test(textAt(row, column)))
    if (hourColumn === undefined) continue
    const below = rows.slice(header + 1)
    const hours = below.map((own) => readHour(textAt(own, hourColumn)))
    const known = hours.filter((hour) => hour !== null)
    const isEvery = hours.every((hour, i) => hour !== null || textAt(below[i]!, hourColumn) === '')
    if (!isEvery || new Set(known).size < FEWEST) continue
    const dayColumn = columns.find((column) => column !== hourColumn && areDays(below, column))
    if (dayColumn === undefined) continue
    const from = hoursCountFrom(known)
    if (from === 1) {
      inquiry.note('hours-from-1', 'Hours are counted from 1 to 24: 1 is the one after midnight.')
    }
    return rows.map((own, at) => {
      if (at === header) return { ...own, cells: own.cells.with(hourColumn, '') }
      const hour = at > header ? hours[at - header - 1] : null
      if (hour === null || hour === undefined) return own
      const clock = String(hour - from).padStart(2, '0')
      const cells = own.cells
        .with(dayColumn, `${textAt(own, dayColumn)} ${clock}:00`)
        .with(hourColumn, '')
      return { ...own, cells }
    })
  }
  return rows
}

/** Whether a column has a day without a time in every row that has anything there. */
function areDays(rows: readonly Row[], column: number): boolean {
  const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
  const isDay = (text: string) =>
    !/\d:\d/.test(text) &&
    ['day-first' as const, 'month-first' as const].some(
      (order) => readPeriod(text, order)?.kind === 'day',
    )
  return texts.length > 0 && texts.every(isDay)
}
