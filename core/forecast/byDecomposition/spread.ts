import type { Model } from '../../model'
import type { Value } from '../../series/series'
import { tQuantile } from '../../statistics/distributions'
import type { Missed, TrendSpread } from '../../trend/trend'

/** How far values lie from a trend once the season is paid for. */
export interface Spread {
  readonly df: number
  readonly s: Value
  readonly sRelative: Value
  quantileOf(level: number): number
}

/**
 * The spread of values around a trend.
 *
 * What the indices cost is taken from the degrees of freedom, of a smoothed trend too: without it 80% limits of four years
 * held 68%, and with the noise of a multiplicative model taken for even 65% of ten.
 *
 * @param cost degrees of freedom that the indices cost, and what was estimated before
 */
export function spreadOf(own: TrendSpread, cost: number, model: Model): Spread {
  const df = own.df - cost
  const isRelative = df > 0 && model === 'multiplicative' && !own.ofLog
  return {
    df,
    s: df > 0 ? Math.sqrt(own.sse / df) : null,
    sRelative: isRelative ? relativeDeviation(own.missed(), df) : null,
    quantileOf: (level) => tQuantile(level, df),
  }
}

/** √(Σ((D − L)/L)² ÷ df) of the values D and the trend L; undefined where the trend is not above 0. */
function relativeDeviation(missed: readonly Missed[], df: number): Value {
  let squares = 0
  for (const [residual, level] of missed) {
    if (level <= 0) return null
    squares += (residual / level) ** 2
  }
  return Math.sqrt(squares / df)
}
