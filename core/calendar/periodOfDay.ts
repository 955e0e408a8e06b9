import { hasTradingDays, type Calendar } from './calendar'
import { dateOf, type Day } from './civil'
import type { Period } from './period'
import { rhythmOf } from './rhythms'
import { DAYS_OF_WEEK } from './rhythms/days'
import { weekOf } from './rhythms/weeks'

/**
 * The period of a calendar that a day lies in.
 *
 * @param calendar one with dates, of periods of a day or longer
 * @example periodOfDay(dayOf(2024, 5, 31), calendarOf('quarterly')) // { cycle: 2024, season: 2 }
 */
export function periodOfDay(day: Day, calendar: Calendar): Period {
  switch (calendar.frequency) {
    case 'daily':
      // On trading days alone a day is of the same week, and the same day of it, as among all.
      return hasTradingDays(calendar)
        ? DAYS_OF_WEEK.periodOf(day)
        : rhythmOf(calendar).periodOf(day)
    case 'weekly':
      return weekOf(day)
    default: {
      const { year, month } = dateOf(day)
      return { cycle: year, season: Math.ceil((month * calendar.seasons) / MONTHS_A_YEAR) }
    }
  }
}
const MONTHS_A_YEAR = 12
