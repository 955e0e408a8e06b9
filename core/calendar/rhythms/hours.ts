import { weekdayOf, WEEKDAYS, yearOf } from '../civil'
import type { Period } from '../period'
import type { Rhythm } from '../rhythm'
import { dayCode, dayLabel, readDay, two } from './days'
import { weekOf, WEEKS } from './weeks'

const A_DAY = 24
const A_WEEK = 7 * A_DAY
/** Hours of the week before 1 January 1970, which was a Thursday. */
const HOURS_BEFORE_FIRST = weekdayOf(0) * A_DAY

/** Every hour of every day, clock changes not known; its season is the hour of the day, midnight first. */
export const HOURS_OF_DAY: Rhythm = {
  ...hoursWith(A_DAY, 0),
  cycle: 'day',
  seasonLabel: (season) => `${two(season - 1)}:00`,
  cycleLabel: dayLabel,
}

/** Every hour of every day; its season is the hour of the week, midnight before Monday first. */
export const HOURS_OF_WEEK: Rhythm = {
  ...hoursWith(A_WEEK, HOURS_BEFORE_FIRST),
  cycle: 'week',
  seasonLabel(season) {
    const weekday = WEEKDAYS[Math.floor((season - 1) / A_DAY)]!.slice(0, 3)
    return `${weekday} ${two((season - 1) % A_DAY)}:00`
  },
  cycleLabel: (cycle) => WEEKS.label(weekOf((cycle * A_WEEK - HOURS_BEFORE_FIRST) / A_DAY)),
}

/**
 * @param seasons hours in a cycle
 * @param before hours of its first cycle before the first hour counted
 */
function hoursWith(
  seasons: number,
  before: number,
): Omit<Rhythm, 'cycle' | 'seasonLabel' | 'cycleLabel'> {
  const countOf = ({ cycle, season }: Period) => cycle * seasons + season - 1 - before
  const periodOf = (count: number): Period => {
    const cycle = Math.floor((count + before) / seasons)
    return { cycle, season: count + before - cycle * seasons + 1 }
  }
  const dayAndHour = (period: Period) => {
    const count = countOf(period)
    const day = Math.floor(count / A_DAY)
    return { day, hour: two(count - day * A_DAY) }
  }
  return {
    ...{ noun: 'hour', example: '2024-01-31T06', countOf, periodOf },
    code(period) {
      const { day, hour } = dayAndHour(period)
      return `${dayCode(day)}T${hour}`
    },
    read(code) {
      const match = /^(.+)T(\d{2})$/.exec(code)
      const day = match && readDay(match[1]!)
      const hour = Number(match?.[2])
      return day === null || hour >= A_DAY ? null : periodOf(day * A_DAY + hour)
    },
    label(period) {
      const { day, hour } = dayAndHour(period)
      return `${dayLabel(day)}, ${hour}:00`
    },
    yearOf: (period) => yearOf(dayAndHour(period).day),
    firstDay: (period) => dayAndHour(period).day,
    // An hour is less than a day, so no effect of days can be told of it.
    days: () => null,
  }
}
