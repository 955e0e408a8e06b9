import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Value } from '../series/series'
import { fitTrend, type FittedTrend, type TrendColumnsOf } from './fit'
import { TREND_FORMS } from './forms'
import { trendDesign, type FittedTrendOptions, type TrendOptions } from './options'
import { smoothTrend, type SmoothedTrend } from './smoothed'

/** A trend through values in time, by least squares or smoothed. */
export type Trend = FittedTrend | SmoothedTrend

/** Where a trend lies in time. */
export interface TrendTime {
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** Time code of the first value. */
  readonly firstT: number
}

/**
 * The trend that a method asks for, through the deseasonalized values.
 *
 * @param values one a period, null = missing
 * @param nameOf a period, for a refusal
 * @throws Refusal with too few values, and for those that the form cannot be fitted to
 */
export function trendThrough(
  values: readonly Value[],
  options: TrendOptions,
  time: TrendTime,
  nameOf: (t: number) => string,
): Trend {
  if (options.form === 'smoothed') {
    return smoothTrend(values, time.firstT, { ...options, seasons: time.calendar.seasons })
  }
  return fitTrend(values, time.firstT, fittedTo(options, time), nameOf)
}

/** What a least-squares trend is fitted to. */
export function fittedTo(
  options: FittedTrendOptions,
  { calendar, start }: Pick<TrendTime, 'calendar' | 'start'>,
): TrendColumnsOf {
  return {
    columns: trendDesign(options, calendar, start),
    ofLog: TREND_FORMS[options.form].ofLog,
    last: options.last,
  }
}

/** Numbers that a trend was estimated with. */
export function estimatedBy(trend: Trend): number {
  return trend.by === 'smoothing' ? trend.chosen.k : trend.fit.p
}

/** Time code of the first period that a trend was fitted to. */
export function firstFitted(trend: Trend): number {
  return trend.by === 'smoothing' ? trend.from : trend.fit.from
}

/** What a trend leaves, one entry a period from the first fitted on. */
export function residualsInTime(trend: Trend): readonly Value[] {
  return trend.by === 'smoothing' ? trend.residualsInTime : trend.fit.residualsInTime
}
