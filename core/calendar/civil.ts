import type { Calendar } from './calendar'
import type { Period } from './period'

/** A day of the civil calendar (proleptic Gregorian): whole days since 1 January 1970. */
export type Day = number

/** Days from a first to a last, both included. */
export interface DaySpan {
  readonly first: Day
  readonly last: Day
}

/** The calendar repeats after so many years, which have so many days: whole weeks, so that weekdays repeat too. */
const CYCLE_YEARS = 400
const CYCLE_DAYS = 146_097
const DAY_MS = 86_400_000
const MONTHS = 12

/** The days of the week, Monday first. */
export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const

/**
 * The day of a date.
 *
 * @param month 1..12; beyond them it goes on into other years
 * @example dayOf(1970, 2, 1) // 31
 */
export function dayOf(year: number, month: number, date: number): Day {
  // Dates of the language do not reach every year that a series can have, and read years below 100 as those of 1900.
  const cycles = Math.floor((year - 1970) / CYCLE_YEARS)
  const inReach = year - cycles * CYCLE_YEARS
  return Date.UTC(inReach, month - 1, date) / DAY_MS + cycles * CYCLE_DAYS
}

/** The day of the week, Monday 0 to Sunday 6. @example weekdayOf(0) // 3: 1 January 1970 was a Thursday */
export function weekdayOf(day: Day): number {
  return (((day + 3) % 7) + 7) % 7
}

/** The Monday of the week that a day lies in. */
export function mondayOf(day: Day): Day {
  return day - weekdayOf(day)
}

/** The calendar year that a day lies in. */
export function yearOf(day: Day): number {
  return dateOf(day).year
}

/** The date of a day, month 1..12. */
export function dateOf(day: Day): { year: number; month: number; date: number } {
  const cycles = Math.floor(day / CYCLE_DAYS)
  const inReach = new Date((day - cycles * CYCLE_DAYS) * DAY_MS)
  return {
    year: inReach.getUTCFullYear() + cycles * CYCLE_YEARS,
    month: inReach.getUTCMonth() + 1,
    date: inReach.getUTCDate(),
  }
}

export function isLeapYear(year: number): boolean {
  return dayOf(year, 3, 1) - dayOf(year, 2, 1) === 29
}

/** Whether the periods of a calendar are months or quarters: twelve seasons of something else are none. */
export function isOfMonths({ frequency }: Pick<Calendar, 'frequency'>): boolean {
  return frequency === 'monthly' || frequency === 'quarterly'
}

/** Whether dates can be laid on the periods of a calendar: of months, quarters, weeks, and of days themselves. */
export function canHaveDates({ frequency }: Pick<Calendar, 'frequency'>): boolean {
  return isOfMonths({ frequency }) || frequency === 'weekly' || frequency === 'daily'
}

/**
 * The days of a month or a quarter.
 *
 * @param seasons m, 12 or 4
 * @example daysOf({ cycle: 2024, season: 1 }, 4) // 1 January to 31 March 2024
 */
export function daysOf({ cycle: year, season }: Period, seasons: number): DaySpan {
  const months = MONTHS / seasons
  return {
    first: dayOf(year, (season - 1) * months + 1, 1),
    last: dayOf(year, season * months + 1, 1) - 1,
  }
}

/** How many days two spans share. */
export function daysShared(a: DaySpan, b: DaySpan): number {
  return Math.max(0, Math.min(a.last, b.last) - Math.max(a.first, b.first) + 1)
}

/**
 * How often each day of the week comes in a span, Monday first.
 *
 * @example of January 2019, which began on a Tuesday: [4, 5, 5, 5, 4, 4, 4]
 */
export function weekdayCounts({ first, last }: DaySpan): readonly number[] {
  const days = last - first + 1
  const begins = weekdayOf(first)
  const beyondWeeks = days % 7
  return WEEKDAYS.map((_, weekday) => {
    const place = (weekday - begins + 7) % 7
    return Math.floor(days / 7) + (place < beyondWeeks ? 1 : 0)
  })
}
