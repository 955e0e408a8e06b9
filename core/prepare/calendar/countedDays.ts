import { axisOf } from '../../calendar/axis'
import {
  dateOf,
  isOfMonths,
  weekdayOf,
  WEEKDAYS,
  type Day,
  type DaySpan,
} from '../../calendar/civil'
import { daysAt, WEEKEND_DAY } from '../../regression/regressors/calendar/days'
import { easterOf } from '../../regression/regressors/calendar/easter'
import { rowOf } from './columns'
import { groupOf, saysOf, type Effect } from './effects'
import type { CalendarTaken } from './taken'

/** A day of a month, and how often an effect counts it: 0 not at all, below 0 against it. */
export interface CountedDay {
  readonly date: number
  readonly counts: number
}

/** A month as a calendar has it. */
export interface CountedMonth {
  readonly year: number
  /** 1..12 */
  readonly month: number
  /** Weeks of seven, Monday first; null before the first day and after the last. */
  readonly weeks: readonly (readonly (CountedDay | null)[])[]
  /** How many of each weekday it has, Monday first. */
  readonly weekdays: readonly number[]
}

/** The days of a period, and which of them one column of the calendar counts. */
export interface CountedDays {
  /** The effect: `trading day`, `Easter`. */
  readonly says: string
  readonly months: readonly CountedMonth[]
  /** How often days are counted all in all, of a trading day less those that are counted against it. */
  readonly sum: number
}

const FEBRUARY = 2
const LEAP_DAY = 29

/**
 * The days of a period as a column of the calendar counts them.
 *
 * @param row of the ledger; of what all effects come to together, every day is shown and none counted
 * @returns null for a row that is none of the calendar's, and for periods that are no months
 * @example of Saturdays in March 2024: 5 Saturdays once each, 5 Sundays against them
 */
export function countedDays(taken: CalendarTaken, row: string, t: number): CountedDays | null {
  if (!isOfMonths(taken.facts.calendar)) return null
  const axis = axisOf(taken.facts)
  const days = daysAt(axis, t)
  if (row === 'calendar') return { says: '', ...inMonths(days, () => 0) }
  for (const effect of taken.effects) {
    const at = groupOf(effect, taken.facts, 'calendar').columns.findIndex(
      (column) => rowOf(column) === row,
    )
    if (at < 0) continue
    const counts = countOf(effect, at, axis.periodAt(t).cycle)
    return { says: saysOf(effect), ...inMonths(days, counts) }
  }
  return null
}

/** How often a column counts a day. @param at which column of the effect */
function countOf(effect: Effect, at: number, year: number): (day: Day) => number {
  switch (effect.effect) {
    case 'tradingDay6':
      return (day) => {
        const weekday = weekdayOf(day)
        return weekday === at ? 1 : weekday === WEEKDAYS.length - 1 ? -1 : 0
      }
    case 'tradingDay1':
      return (day) => (weekdayOf(day) < 5 ? 1 : WEEKEND_DAY)
    case 'lengthOfPeriod':
      return () => 1
    case 'leapYear':
      return (day) => {
        const { month, date } = dateOf(day)
        return month === FEBRUARY && date === LEAP_DAY ? 1 : 0
      }
    case 'easter': {
      const easter = easterOf(year)
      return (day) => (day >= easter - effect.window && day < easter ? 1 : 0)
    }
    case 'holiday': {
      const { before, after } = effect
      const dates = [...new Set(effect.dates)]
      // A day that lies in the windows of two dates counts for each.
      return (day) => dates.filter((date) => day >= date - before && day <= date + after).length
    }
  }
}

function inMonths(
  { first, last }: DaySpan,
  counts: (day: Day) => number,
): Pick<CountedDays, 'months' | 'sum'> {
  const months: {
    year: number
    month: number
    weeks: (CountedDay | null)[][]
    weekdays: number[]
  }[] = []
  let sum = 0
  for (let day = first; day <= last; day++) {
    const { year, month, date } = dateOf(day)
    if (date === 1 || months.length === 0) {
      months.push({ year, month, weeks: [], weekdays: WEEKDAYS.map(() => 0) })
    }
    const { weeks, weekdays } = months.at(-1)!
    const weekday = weekdayOf(day)
    if (weeks.length === 0 || weekday === 0) weeks.push(WEEKDAYS.map(() => null))
    const own = { date, counts: counts(day) }
    weeks.at(-1)![weekday] = own
    weekdays[weekday]!++
    sum += own.counts
  }
  return { months, sum }
}
