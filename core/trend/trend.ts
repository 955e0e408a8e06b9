import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Value } from '../series/series'

/** What every trend through values in time has, however it was found. */
export interface TrendThrough {
  /** Time code of the first period that it was fitted to. */
  readonly from: number
  /** Numbers that it was estimated with. */
  readonly estimated: number
  /** What it leaves, one entry a period from the first fitted on; null where missing. */
  readonly residualsInTime: readonly Value[]
  /** The trend at a time code, in units of the values. */
  at(t: number): number
}

/** Where a trend lies in time. */
export interface TrendTime {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** Time code of the first value. */
  readonly firstT: number
}
