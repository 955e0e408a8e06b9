import { dayOf, daysOf, daysShared, type Day, type DaySpan } from '../../../calendar/civil'
import type { DesignColumn } from '../../design'
import type { CivilAxis } from './days'

/** The windows that a regressor can have, in days before Easter. */
export const LEAST_WINDOW = 1
export const MOST_WINDOW = 25

/**
 * In how many of the 5,700,000 years in which Easter repeats it falls on 22 March, 23 March, …, 25 April.
 *
 * @see methods, Calendar effects: the cycle is 19 × 400 × 750 years
 */
export const EASTER_COUNTS: readonly number[] = [
  27550, 54150, 81225, 110200, 133000, 165300, 186200, 192850, 189525, 189525, 192850, 186200,
  192850, 186200, 192850, 189525, 189525, 192850, 186200, 192850, 186200, 192850, 189525, 189525,
  192850, 186200, 192850, 197400, 220400, 189525, 162450, 137750, 106400, 82650, 42000,
]
const CYCLE = 5_700_000
const [MARCH, EARLIEST] = [3, 22]

/**
 * Easter Sunday of a year, in days after 22 March.
 *
 * @param year of the Gregorian calendar, also before it was made
 * @see Nature 13 (1876), p. 487: a rule without exceptions
 * @example easterAfter(2024) // 9: 31 March
 */
export function easterAfter(year: number): number {
  // The rule repeats, and its divisions are those of years that are not below 0.
  const y = ((year % CYCLE) + CYCLE) % CYCLE
  const a = y % 19
  const b = Math.floor(y / 100)
  const c = y % 100
  const d = Math.floor(b / 4)
  const e = b % 4
  const f = Math.floor((b + 8) / 25)
  const g = Math.floor((b - f + 1) / 3)
  const h = (19 * a + b - d - g + 15) % 30
  const i = Math.floor(c / 4)
  const k = c % 4
  const l = (32 + 2 * e + 2 * i - h - k) % 7
  const q = Math.floor((a + 11 * h + 22 * l) / 451)
  return h + l - 7 * q
}

/** Easter Sunday of a year. */
export function easterOf(year: number): Day {
  return dayOf(year, MARCH, EARLIEST) + easterAfter(year)
}

/** The days before Easter Sunday that count, that Sunday not among them. */
function windowBefore(easter: Day, window: number): DaySpan {
  return { first: easter - window, last: easter - 1 }
}

/** Share of the days before Easter that fall into a period. */
export function easterShare({ periodAt, days }: CivilAxis, window: number, t: number): number {
  const period = periodAt(t)
  const before = windowBefore(easterOf(period.cycle), window)
  return daysShared(before, days(t)!) / window
}

/** Long-run means, once for each number of seasons and window: every regression with Easter in it asks for them. */
const LONG_RUN = new Map<string, readonly number[]>()
function longRunMeans(seasons: number, window: number): readonly number[] {
  const key = `${seasons} ${window}`
  const known = LONG_RUN.get(key) ?? easterMeans(seasons, window)
  LONG_RUN.set(key, known)
  return known
}

/**
 * The mean share of each season, over dates of Easter.
 *
 * @param seasons m, 12 or 4
 * @param counts how often each of the 35 dates comes
 */
export function easterMeans(
  seasons: number,
  window: number,
  counts: readonly number[] = EASTER_COUNTS,
): number[] {
  // February ends on the day before 1 March in every year, so any year has the same shares.
  const [year, all] = [2001, counts.reduce((sum, count) => sum + count, 0)]
  return Array.from({ length: seasons }, (_, k) => {
    const days = daysOf({ cycle: year, season: k + 1 }, seasons)
    const shared = counts.reduce((sum, count, after) => {
      const easter = dayOf(year, MARCH, EARLIEST) + after
      return sum + count * daysShared(windowBefore(easter, window), days)
    }, 0)
    return shared / (all * window)
  })
}

/** Share of the days before Easter that fall into the period, less the long-run mean of its season. */
export function easterColumn(axis: CivilAxis, window: number): DesignColumn {
  const means = longRunMeans(axis.calendar.seasons, window)
  return {
    name: `easter${window}`,
    label: 'Easter',
    means: `share of the ${window} ${window === 1 ? 'day' : 'days'} before Easter − mean share of the season`,
    at: (t) => easterShare(axis, window, t) - means[axis.periodAt(t).season - 1]!,
  }
}
