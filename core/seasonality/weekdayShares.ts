import { mondayOf, weekdayOf, WEEKDAYS, type Day } from '../calendar/civil'
import { mean } from '../statistics/average'
import { upperF } from '../statistics/distributions'
import type { Value } from '../series/series'

/** A day of the week against the mean day of its week. */
export interface WeekdayShare {
  /** Mean over the weeks: 1.21 for 21% above the mean day. */
  readonly share: number
  readonly standardError: number
}

/** How the days of the week differ that coarser values were made of. */
export interface WeekdayShares {
  /** Whole weeks that it was seen in. */
  readonly weeks: number
  /** Monday first; null on days that never have a value, as closed Sundays. */
  readonly days: readonly (WeekdayShare | null)[]
  /** Of the days together, in weeks as blocks; null where all weeks are alike to the last digit. */
  readonly f: Value
  readonly p: Value
}

/** Fewer weeks say little of any day. */
const FEWEST_WEEKS = 8
/** A day is open that has a value in so large a part of the weeks. */
const OPEN = 0.5
/** The week around a day. */
const AROUND = [-3, -2, -1, 0, 1, 2, 3]

/**
 * How days of the week differ: each value over the mean of the seven days around it, so that neither trend nor season of the
 * year is in it.
 *
 * Only days count around which every open day has a value: beside a missing Friday every other day would look better.
 *
 * @param values of days, in any order; several of one day are added up
 * @returns null where fewer than 8 weeks are whole, and for weeks with a mean that is not above 0, which has no shares
 * @see Macaulay, F. R. (1931), The Smoothing of Time Series, NBER, for the week around each day; the F is that of weeks as blocks
 * @example of Mondays 100 and Fridays 300, every week alike: shares 0.5 and 1.5
 */
export function weekdayShares(
  values: readonly { readonly day: Day; readonly value: Value }[],
): WeekdayShares | null {
  const byDay = new Map<Day, number>()
  for (const { day, value } of values) {
    if (value !== null) byDay.set(day, (byDay.get(day) ?? 0) + value)
  }
  const weeks = new Set([...byDay.keys()].map(mondayOf)).size
  const seen = WEEKDAYS.map(() => 0)
  for (const day of byDay.keys()) seen[weekdayOf(day)]!++
  const isOpen = seen.map((count) => count >= OPEN * weeks)
  const openDays = isOpen.filter(Boolean).length
  if (openDays < 2) return null
  const shares = WEEKDAYS.map((): number[] => [])
  for (const [day, value] of byDay) {
    if (!isOpen[weekdayOf(day)]) continue
    const around = AROUND.flatMap((by) => {
      const other = byDay.get(day + by)
      return other === undefined || !isOpen[weekdayOf(day + by)] ? [] : [other]
    })
    const level = around.length === openDays ? mean(around)! : 0
    if (level > 0) shares[weekdayOf(day)]!.push(value / level)
  }
  const ofDays = shares.filter((_, at) => isOpen[at])
  const whole = Math.min(...ofDays.map((own) => own.length))
  if (whole < FEWEST_WEEKS) return null
  return {
    weeks: whole,
    days: shares.map((own, at) => (isOpen[at] ? shareOf(own) : null)),
    ...differing(ofDays),
  }
}

/** They are said to differ at this p and below. */
const BEYOND_CHANCE = 0.01

/** Whether the days of the week differ beyond chance; days that are alike to the last digit in every week do. */
export function doWeekdaysDiffer({ days, p }: WeekdayShares): boolean {
  if (p !== null) return p <= BEYOND_CHANCE
  return new Set(days.flatMap((day) => day?.share ?? [])).size > 1
}

function shareOf(own: readonly number[]): WeekdayShare {
  const share = mean(own)!
  return { share, standardError: Math.sqrt(squares(own, share) / (own.length - 1) / own.length) }
}

/** Between the days against within them; the week around a day has taken its level out, so that weeks have no part in it. */
function differing(ofDays: readonly (readonly number[])[]): Pick<WeekdayShares, 'f' | 'p'> {
  const means = ofDays.map((own) => mean(own)!)
  const grand = mean(means)!
  const within = ofDays.reduce((sum, own, i) => sum + squares(own, means[i]!), 0)
  const between = ofDays.reduce((sum, own, i) => sum + own.length * (means[i]! - grand) ** 2, 0)
  if (within === 0) return { f: null, p: null }
  const df1 = ofDays.length - 1
  // A day counts in the level that it is measured by: of so many days one is lost a week.
  const df2 = df1 * (Math.min(...ofDays.map((own) => own.length)) - 1)
  const f = between / df1 / (within / df2)
  return { f, p: upperF(f, df1, df2) }
}

function squares(own: readonly number[], around: number): number {
  return own.reduce((sum, value) => sum + (value - around) ** 2, 0)
}
