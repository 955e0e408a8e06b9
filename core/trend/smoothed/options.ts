import { z } from 'zod'
import { Refusal } from '../../refusal'
import type { Weights } from '../../stateSpace/forms'
import { weightsDocument } from '../../stateSpace/weightsOptions'
import type { CommonTrend, CommonTrendDocument } from '../commonOptions'
import { TREND_SMOOTHINGS, type TrendSmoothing } from './slope'

/** What a smoothed trend alone is asked. */
export const smoothedDocument = {
  /** What its slope does. */
  smoothing: z.enum(TREND_SMOOTHINGS),
  /** Where its weights are looked for, in place of all over; of a slope that is named. */
  nearWeights: weightsDocument,
}
export interface SmoothedDocument extends CommonTrendDocument {
  readonly smoothing?: TrendSmoothing | undefined
  readonly nearWeights?: Weights | undefined
}

/** A trend that follows the latest values, complete. */
export interface SmoothedTrendOptions extends CommonTrend {
  readonly form: 'smoothed'
  readonly smoothing: TrendSmoothing
  readonly nearWeights?: Weights | undefined
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
  nearWeights,
}: SmoothedDocument): SmoothedTrendOptions {
  if (time === 'days') {
    throw new Refusal(
      'A smoothed trend goes from period to period and cannot count in days. Take the time code.',
      'trend.time',
    )
  }
  return {
    ...{ form: 'smoothed', smoothing, time },
    ...(nearWeights ? { nearWeights } : {}),
    ...(last === undefined ? {} : { last }),
  }
}
