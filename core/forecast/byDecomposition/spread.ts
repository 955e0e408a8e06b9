import type { Model } from '../../model'
import type { DesignFit } from '../../regression/fitDesign'
import type { Value } from '../../series/series'
import { normalQuantile, tQuantile } from '../../statistics/distributions'
import type { Trend } from '../../trend/trend'

/** How far values lie from a trend, and how sure the trend itself is. */
export interface Spread {
  readonly df: number
  readonly s: Value
  readonly sRelative: Value
  quantileOf(level: number): number
  /** The trend on the scale that limits are made on. */
  centreAt(t: number): number
  /** Variance of the trend ahead, as a multiple of that of a value. */
  leverageAt(t: number): number
}

/** @param seasonCost degrees of freedom that the indices cost */
export function spreadOf(trend: Trend, seasonCost: number, model: Model): Spread {
  if (trend.by === 'smoothing') {
    const { observed, k, sigma2 } = trend.chosen
    return {
      df: observed - k + 1,
      s: sigma2 === null ? null : Math.sqrt(sigma2),
      sRelative: null,
      quantileOf: normalQuantile,
      centreAt: trend.at,
      leverageAt: (t) => trend.factorAt(t) - 1,
    }
  }
  const { fit, ofLog } = trend
  const df = fit.n - fit.p - seasonCost
  const isRelative = df > 0 && model === 'multiplicative' && !ofLog
  return {
    df,
    s: df > 0 ? Math.sqrt(fit.sse / df) : null,
    sRelative: isRelative ? relativeDeviation(fit, df) : null,
    quantileOf: (level) => tQuantile(level, df),
    centreAt: fit.at,
    leverageAt: fit.leverageAt,
  }
}

/** √(Σ((D − L)/L)² ÷ df) of the values D and the trend L; undefined where the trend is not above 0. */
function relativeDeviation(fit: DesignFit, df: number): Value {
  let squares = 0
  for (const [i, residual] of fit.residuals.entries()) {
    const level = fit.y[i]! - residual
    if (level <= 0) return null
    squares += (residual / level) ** 2
  }
  return Math.sqrt(squares / df)
}
