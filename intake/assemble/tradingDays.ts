import { weekdayOf, WEEKDAYS } from '../../core/calendar/civil'
import type { Inquiry } from '../inquiry'
import type { PeriodReading } from '../periods/periodReading'
import { dayOf } from './commonCalendar'

const A_WEEK = 7
/** A shop that is open on fewer days of the week has no rhythm of its own here. */
const FEWEST = 5
/** Fewer weeks say little of which days are closed. */
const WEEKS = 3

/**
 * Asks whether a series of days has every day or trading days alone, where no row ever falls on a Sunday, or on a weekend.
 *
 * @param readings of all rows, days
 * @returns the days of a week that the series has, from Monday on: 7, 6 or 5
 */
export function askForTradingDays(readings: readonly PeriodReading[], inquiry: Inquiry): number {
  const days = readings.map(dayOf)
  const open = Math.max(...days.map(weekdayOf)) + 1
  const weeks = new Set(days.map((day) => day - weekdayOf(day))).size
  if (open === A_WEEK || open < FEWEST || weeks < WEEKS) return A_WEEK
  const closed = WEEKDAYS.slice(open)
  const answer = inquiry.ask({
    id: 'trading-days',
    ask: `No row falls on a ${closed.join(' or ')}. Which days does the series have?`,
    options: [
      {
        value: 'trading',
        consequence: `Monday to ${WEEKDAYS[open - 1]} alone: ${open} days a week, nothing missing between them.`,
      },
      {
        value: 'every',
        consequence: `Every day of the week: each ${closed.join(' and ')} has no value.`,
      },
    ],
    otherwise: 'trading',
  })
  return answer === 'every' ? A_WEEK : open
}
