import { z } from 'zod'
import { Refusal } from '../../refusal'
import type { CommonTrend, CommonTrendDocument } from '../commonOptions'
import { TREND_SMOOTHINGS, type TrendSmoothing } from './slope'

/** What a smoothed trend alone is asked. */
export const smoothedDocument = {
  /** What its slope does. */
  smoothing: z.enum(TREND_SMOOTHINGS),
}
export interface SmoothedDocument extends CommonTrendDocument {
  readonly smoothing?: TrendSmoothing | undefined
}

/** A trend that follows the latest values, complete. */
export interface SmoothedTrendOptions extends CommonTrend {
  readonly form: 'smoothed'
  readonly smoothing: TrendSmoothing
  readonly time: 'code'
  readonly breaks?: undefined
}

/**
 * Fills in the defaults: a damped slope, through all periods.
 *
 * @throws Refusal for a time in days
 */
export function completeSmoothed({
  time = 'code',
  last,
  smoothing = 'damped',
}: SmoothedDocument): SmoothedTrendOptions {
  if (time === 'days') {
    throw new Refusal(
      'A smoothed trend goes from period to period and cannot count in days. Take the time code.',
      'trend.time',
    )
  }
  return { form: 'smoothed', smoothing, time, ...(last === undefined ? {} : { last }) }
}
