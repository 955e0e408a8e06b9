import type { Calendar } from './calendar'
import type { Day, DaySpan } from './civil'
import type { Period } from './period'
import { remembered } from './remembered'
import { rhythmOf } from './rhythms'

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
  /** The day that it begins on; null where they have no dates. */
  firstDay(t: number): Day | null
  /** Its days; null where they have no dates, and of hours. */
  days(t: number): DaySpan | null
}

/** The axis last made for a beginning: it is asked for again by everything that has to do with the same series. */
const lastMade = new WeakMap<Period, Axis>()

/**
 * The axis of a series, or of anything else that begins at a period of a calendar.
 *
 * @example axisOf({ calendar: calendarOf('monthly'), start: { cycle: 2019, season: 11 } }).codeAt(3) // '2020-01'
 */
export function axisOf({
  calendar,
  start,
}: {
  readonly calendar: Calendar
  readonly start: Period
}): Axis {
  const before = lastMade.get(start)
  if (before?.calendar === calendar) return before
  const axis = madeFor(calendar, start)
  lastMade.set(start, axis)
  return axis
}

function madeFor(calendar: Calendar, start: Period): Axis {
  const { countOf, periodOf, yearOf, code, read, label, firstDay, days } = rhythmOf(calendar)
  const first = countOf(start)
  const periodAt = (t: number) => periodOf(first + t - 1)
  const tOf = (period: Period) => countOf(period) - first + 1
  return {
    ...{ calendar, start, periodAt, tOf },
    seasonOf: (t) => periodAt(t).season,
    yearOf: (t) => yearOf(periodAt(t)),
    codeAt: (t) => code(periodAt(t)),
    label: (t) => label(periodAt(t)),
    tOfCode(text) {
      const period = read(text)
      return period && tOf(period)
    },
    firstDay: (t) => firstDay(periodAt(t)),
    days: remembered((t) => days(periodAt(t))),
  }
}
