import type { Calendar } from './calendar'
import type { Period } from './period'
import { rhythmOf } from './rhythms'

/** A period code of this calendar, to show in a message: `2019-03`. */
export function exampleCode(calendar: Calendar): string {
  return rhythmOf(calendar).example
}

/**
 * Reads a period code: `2019-03`, `2019-Q1`, `2019-H2`, `2019`, `2019-W05`, `2019-01-31`,
 * `2019-01-31T06`, or `2019-S3` for any other cycle.
 *
 * @returns the period, or null when the text is no code of this calendar
 */
export function parsePeriod(code: string, calendar: Calendar): Period | null {
  return rhythmOf(calendar).read(code)
}

/**
 * The period code, as method and result documents write it.
 *
 * @example formatPeriod({ cycle: 2019, season: 3 }, calendarOf('monthly')) // '2019-03'
 */
export function formatPeriod(period: Period, calendar: Calendar): string {
  return rhythmOf(calendar).code(period)
}
