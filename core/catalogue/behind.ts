import { axisOf } from '../calendar/axis'
import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import { rhythmOf } from '../calendar/rhythms'
import type { Series } from '../series/series'

/** Where the values of a series end. */
export interface Ending {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** Time code of the last value that is there. */
  readonly last: number
}

/** Where a series ends: missing values behind the last do not count. */
export function endingOf({ calendar, start, values }: Series): Ending {
  return { calendar, start, last: values.findLastIndex((value) => value !== null) + 1 }
}

/**
 * How many periods each series of a catalogue ends before the latest of its rhythm: where others have newer values, its own are
 * late, or it is sold no more.
 *
 * @returns one entry a series
 * @example months to Dec 2025, Dec 2025, Oct 2025: 0, 0, 2
 */
export function periodsBehind(all: readonly Ending[]): number[] {
  const ends = all.map(({ calendar, start, last }) => ({
    rhythm: `${calendar.frequency} ${calendar.seasons}`,
    count: rhythmOf(calendar).countOf(axisOf({ calendar, start }).periodAt(last)),
  }))
  const latest = new Map<string, number>()
  for (const { rhythm, count } of ends) {
    latest.set(rhythm, Math.max(latest.get(rhythm) ?? -Infinity, count))
  }
  return ends.map(({ rhythm, count }) => latest.get(rhythm)! - count)
}
