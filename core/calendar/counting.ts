import type { Calendar } from './calendar'
import type { Period } from './period'
import { rhythmOf } from './rhythms'

/**
 * The period a number of steps after another (before it, when negative).
 *
 * @param steps whole periods
 * @example addPeriods({ cycle: 2019, season: 11 }, 3, calendarOf('monthly')) // { cycle: 2020, season: 2 }
 */
export function addPeriods(period: Period, steps: number, calendar: Calendar): Period {
  const { countOf, periodOf } = rhythmOf(calendar)
  return periodOf(countOf(period) + steps)
}

/**
 * How many periods lie from one to another.
 *
 * @example periodsBetween({ cycle: 2019, season: 4 }, { cycle: 2020, season: 1 }, calendarOf('quarterly')) // 1
 */
export function periodsBetween(from: Period, to: Period, calendar: Calendar): number {
  const { countOf } = rhythmOf(calendar)
  return countOf(to) - countOf(from)
}
