import { dateOf, dayOf, isLeapYear, weekdayOf, WEEKDAYS, yearOf, type Day } from '../civil'
import type { Period } from '../period'
import type { Rhythm } from '../rhythm'
import { MONTHS } from './monthNames'
import { weekOf, WEEKS } from './weeks'

const A_WEEK = 7
/** 1 January 1970, the first of all days counted, was a Thursday. */
const WEEKDAY_OF_FIRST = weekdayOf(0)
/** The day of a year that 28 February is; 29 February counts as the same. */
const LAST_OF_FEBRUARY = 59
/** Any year of 365 days, by which days of the year are named. */
const COMMON_YEAR = 2001

/** Every day of the calendar; its season is the day of the week, Monday first. */
export const DAYS_OF_WEEK: Rhythm = {
  ...daysWith(
    (day) => ({
      cycle: Math.floor((day + WEEKDAY_OF_FIRST) / A_WEEK),
      season: weekdayOf(day) + 1,
    }),
    ({ cycle, season }) => cycle * A_WEEK + season - 1 - WEEKDAY_OF_FIRST,
  ),
  cycle: 'week',
  seasonLabel: (season) => WEEKDAYS[season - 1]!.slice(0, 3),
  cycleLabel: (cycle) => WEEKS.label(weekOf(cycle * A_WEEK - WEEKDAY_OF_FIRST)),
}

/**
 * The first days of every week alone, Monday to Friday or Saturday, as of a shop that is closed on the others.
 *
 * @param open how many days of the week, 5 or 6
 * @example tradingDays(6): Saturday, 6 January 2024 is followed by Monday, 8 January
 */
export function tradingDays(open: number): Rhythm {
  const dayAt = DAYS_OF_WEEK.countOf
  return {
    ...DAYS_OF_WEEK,
    countOf: ({ cycle, season }) => cycle * open + season - 1,
    periodOf(count) {
      const cycle = Math.floor(count / open)
      return { cycle, season: count - cycle * open + 1 }
    },
    firstDay: dayAt,
    read(code) {
      const period = DAYS_OF_WEEK.read(code)
      return period && period.season <= open ? period : null
    },
  }
}

/** Every day of the calendar; its season is the day of the year, 29 February counting as the 28th. */
export const DAYS_OF_YEAR: Rhythm = {
  ...daysWith(dayOfYear, ({ cycle, season, again }) => {
    const isLater = isLeapYear(cycle) && (season > LAST_OF_FEBRUARY || again === true)
    return dayOf(cycle, 1, season) + (isLater ? 1 : 0)
  }),
  cycle: 'year',
  again: { season: LAST_OF_FEBRUARY, label: '29 Feb' },
  seasonLabel: (season) => {
    const { month, date } = dateOf(dayOf(COMMON_YEAR, 1, season))
    return `${date} ${MONTHS[month - 1]}`
  },
  cycleLabel: String,
}

/** A day as documents write it: `2024-01-31`. */
export function dayCode(day: Day): string {
  const { year, month, date } = dateOf(day)
  return `${year}-${two(month)}-${two(date)}`
}

/** The day of such a code; null when it is none. */
export function readDay(code: string): Day | null {
  const match = /^(-?\d{1,6})-(\d{2})-(\d{2})$/.exec(code)
  if (!match) return null
  const day = dayOf(Number(match[1]), Number(match[2]), Number(match[3]))
  // The 31st of a month of thirty days would be read as the first of the next.
  return dayCode(day) === code ? day : null
}

/** A day as it is read: `31 Jan 2024`. */
export function dayLabel(day: Day): string {
  const { year, month, date } = dateOf(day)
  return `${date} ${MONTHS[month - 1]} ${year}`
}

export function two(count: number): string {
  return String(count).padStart(2, '0')
}

function daysWith(
  periodOf: (day: Day) => Period,
  countOf: (period: Period) => Day,
): Omit<Rhythm, 'cycle' | 'seasonLabel' | 'cycleLabel'> {
  return {
    ...{ noun: 'day', example: '2024-01-31', countOf, periodOf },
    code: (period) => dayCode(countOf(period)),
    read(code) {
      const day = readDay(code)
      return day === null ? null : periodOf(day)
    },
    label(period) {
      const day = countOf(period)
      return `${WEEKDAYS[weekdayOf(day)]!.slice(0, 3)} ${dayLabel(day)}`
    },
    yearOf: (period) => yearOf(countOf(period)),
    firstDay: countOf,
    days(period) {
      const day = countOf(period)
      return { first: day, last: day }
    },
  }
}

function dayOfYear(day: Day): Period {
  const year = yearOf(day)
  const at = day - dayOf(year, 1, 1) + 1
  if (!isLeapYear(year) || at <= LAST_OF_FEBRUARY) return { cycle: year, season: at }
  return at === LAST_OF_FEBRUARY + 1
    ? { cycle: year, season: LAST_OF_FEBRUARY, again: true }
    : { cycle: year, season: at - 1 }
}
