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
  readonly spread: TrendSpread
  /** The trend at a time code, in units of the values. */
  at(t: number): number
}

/** A value's distance from the trend, and the trend there. */
export type Missed = readonly [residual: number, level: number]

/** How far values lie from a trend and how sure it is, on the scale that it was fitted on. */
export interface TrendSpread {
  /** Whether that is the scale of logarithms. */
  readonly ofLog: boolean
  /** Values less the numbers estimated from them. */
  readonly df: number
  /** Sum of the squared residuals. */
  readonly sse: number
  /** Every value that is not missing, in the order of time. */
  missed(): Missed[]
  /** The trend at a time code. */
  centreAt(t: number): number
  /** Variance of the trend ahead, as a multiple of that of a value. */
  leverageAt(t: number): number
}

/** Where a trend lies in time. */
export interface TrendTime {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** Time code of the first value. */
  readonly firstT: number
}
