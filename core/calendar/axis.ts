import type { Calendar } from './calendar'
import { daysOf, isOfMonths, type DaySpan } from './civil'
import { periodLabel } from './labels'
import { addPeriods, formatPeriod, parsePeriod, periodsBetween, type Period } from './period'

/** The time of a series: what each time code stands for. Nobody else adds to periods. */
export interface Axis {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  periodAt(t: number): Period
  /** 1..m */
  seasonOf(t: number): number
  /** The calendar year. */
  yearOf(t: number): number
  /** As documents write it: `2019-03`. */
  codeAt(t: number): string
  /** As it is read: `Mar 2019`. */
  label(t: number): string
  /** The time code of a period, which may lie before the first or behind the last. */
  tOf(period: Period): number
  /** The same of a code; null for one of another calendar. */
  tOfCode(code: string): number | null
  /** Its days; null of a calendar whose periods have none that are known. */
  days(t: number): DaySpan | null
}

/**
 * The axis of a series, or of anything else that begins at a period of a calendar.
 *
 * @example axisOf({ calendar: calendarOf('monthly'), start: { year: 2019, season: 11 } }).codeAt(3) // '2020-01'
 */
export function axisOf({
  calendar,
  start,
}: {
  readonly calendar: Calendar
  readonly start: Period
}): Axis {
  const { seasons } = calendar
  const periodAt = (t: number) => addPeriods(start, t - 1, seasons)
  const tOf = (period: Period) => periodsBetween(start, period, seasons) + 1
  return {
    ...{ calendar, start, periodAt, tOf },
    seasonOf: (t) => periodAt(t).season,
    yearOf: (t) => periodAt(t).year,
    codeAt: (t) => formatPeriod(periodAt(t), calendar),
    label: (t) => periodLabel(periodAt(t), calendar),
    tOfCode(code) {
      const period = parsePeriod(code, calendar)
      return period && tOf(period)
    },
    days: (t) => (isOfMonths(calendar) ? daysOf(periodAt(t), seasons) : null),
  }
}
