import { dayOf, mondayOf, yearOf, type Day } from '../civil'
import type { Period } from '../period'
import type { Rhythm } from '../rhythm'

const DAYS = 7
/** The seasons of a year of weeks; the 53rd of a long year counts as its 52nd. */
const SEASONS = 52

/** Weeks from Monday to Sunday (ISO 8601): the first of a year is the one with its first Thursday. */
export const WEEKS: Rhythm = {
  ...{ cycle: 'year', noun: 'week', example: '2024-W05' },
  again: { season: SEASONS, label: nameOf(SEASONS + 1) },
  countOf: ({ cycle, season, again }) => firstWeek(cycle) + season - (again ? 0 : 1),
  periodOf: (count) => weekOf(mondayAt(count)),
  code: (period) => `${period.cycle}-${nameOf(weekNumber(period))}`,
  read(code) {
    const match = /^(-?\d{1,6})-W(\d{2})$/.exec(code)
    if (!match) return null
    const [year, week] = [Number(match[1]), Number(match[2])]
    return week >= 1 && week <= weeksIn(year) ? weekAt(year, week) : null
  },
  seasonLabel: nameOf,
  label: (period) => `${period.cycle} ${nameOf(weekNumber(period))}`,
  cycleLabel: String,
  yearOf: ({ cycle }) => cycle,
  firstDay: (period) => mondayAt(WEEKS.countOf(period)),
  days(period) {
    const first = mondayAt(WEEKS.countOf(period))
    return { first, last: first + DAYS - 1 }
  },
}

/**
 * The week that a day lies in.
 *
 * @example weekOf(dayOf(2021, 1, 3)) // { cycle: 2020, season: 52, again: true }: the 53rd week of 2020
 */
export function weekOf(day: Day): Period {
  const monday = mondayOf(day)
  // The year of a week is the one that holds its Thursday.
  const year = yearOf(monday + 3)
  return weekAt(year, (monday - mondayOf(dayOf(year, 1, 4))) / DAYS + 1)
}

/** How many weeks a year has, 52 or 53. */
export function weeksIn(year: number): number {
  return firstWeek(year + 1) - firstWeek(year)
}

/** A Monday, from which weeks are counted: 29 December 1969. */
const FIRST_MONDAY = mondayOf(0)

function mondayAt(count: number): Day {
  return count * DAYS + FIRST_MONDAY
}

/** The first week of a year, which holds 4 January. */
function firstWeek(year: number): number {
  return (mondayOf(dayOf(year, 1, 4)) - FIRST_MONDAY) / DAYS
}

function weekAt(year: number, week: number): Period {
  return week > SEASONS
    ? { cycle: year, season: SEASONS, again: true }
    : { cycle: year, season: week }
}

function weekNumber({ season, again }: Period): number {
  return again ? season + 1 : season
}

function nameOf(week: number): string {
  return `W${String(week).padStart(2, '0')}`
}
