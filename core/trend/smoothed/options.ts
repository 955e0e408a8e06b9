import { Refusal } from '../../refusal'
import type { TrendDocument } from '../document'
import type { TrendSmoothing } from './slope'

/** A trend that follows the latest values, complete. */
export interface SmoothedTrendOptions {
  readonly form: 'smoothed'
  readonly smoothing: TrendSmoothing
  readonly time: 'code'
  readonly breaks?: undefined
  readonly last?: number
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
}: TrendDocument): SmoothedTrendOptions {
  if (time === 'days') {
    throw new Refusal(
      'A smoothed trend goes from period to period and cannot count in days. Take the time code.',
      'trend.time',
    )
  }
  return { form: 'smoothed', smoothing, time, ...(last === undefined ? {} : { last }) }
}
