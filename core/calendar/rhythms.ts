import type { Calendar } from './calendar'
import type { Rhythm } from './rhythm'
import { DAYS_OF_WEEK, DAYS_OF_YEAR } from './rhythms/days'
import { HOURS_OF_DAY, HOURS_OF_WEEK } from './rhythms/hours'
import { partsOfYear } from './rhythms/partsOfYear'
import { WEEKS } from './rhythms/weeks'

/** How the periods of a calendar follow each other. */
export function rhythmOf(calendar: Calendar): Rhythm {
  const { frequency, seasons } = calendar
  switch (frequency) {
    case 'weekly':
      return WEEKS
    case 'daily':
      return seasons === 7 ? DAYS_OF_WEEK : DAYS_OF_YEAR
    case 'hourly':
      return seasons === 24 ? HOURS_OF_DAY : HOURS_OF_WEEK
    default:
      return partsOfYear({ ...calendar, frequency })
  }
}
