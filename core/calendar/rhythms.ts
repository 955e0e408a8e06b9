import { hasTradingDays, type Calendar } from './calendar'
import type { Rhythm } from './rhythm'
import { DAYS_OF_WEEK, DAYS_OF_YEAR, tradingDays } from './rhythms/days'
import { HOURS_OF_DAY, HOURS_OF_WEEK } from './rhythms/hours'
import { partsOfYear } from './rhythms/partsOfYear'
import { WEEKS } from './rhythms/weeks'

/** Labels of ten thousand series ask for the same few again and again. */
const known = new WeakMap<Calendar, Rhythm>()

/** How the periods of a calendar follow each other. */
export function rhythmOf(calendar: Calendar): Rhythm {
  const before = known.get(calendar)
  if (before) return before
  const rhythm = madeFor(calendar)
  known.set(calendar, rhythm)
  return rhythm
}

function madeFor(calendar: Calendar): Rhythm {
  const { frequency, seasons } = calendar
  switch (frequency) {
    case 'weekly':
      return WEEKS
    case 'daily':
      if (hasTradingDays(calendar)) return tradingDays(seasons)
      return seasons === 365 ? DAYS_OF_YEAR : DAYS_OF_WEEK
    case 'hourly':
      return seasons === 24 ? HOURS_OF_DAY : HOURS_OF_WEEK
    default:
      return partsOfYear({ ...calendar, frequency })
  }
}
