import { MODEL } from '../../model'
import type { Value } from '../../series/series'
import { tQuantile } from '../../statistics/distributions'
import type { ForecastBasis } from '../way'
import type { ByDecompositionOptions } from './options'

/** Lower and upper prediction limits, one entry a forecast period. */
export interface Limits {
  readonly lower: readonly Value[]
  readonly upper: readonly Value[]
}

/** A projection of the deseasonalized trend with the season put back. */
export interface DecompositionForecast {
  readonly t: readonly number[]
  /** The index of each forecast period's season. */
  readonly index: readonly number[]
  /** The trend alone: not yet a forecast of sales. */
  readonly deseasonalized: readonly number[]
  /** The trend with the season put back. */
  readonly forecast: readonly number[]
  /** x₀ᵀ(XᵀX)⁻¹x₀ of each period, for retracing the limits. */
  readonly leverage: readonly number[]
  /** Keyed by level in per cent. */
  readonly limits: Readonly<Record<string, Limits>>
  readonly interval: {
    /** n − p − (m−1); not above 0 when too few values are left for limits. */
    readonly df: number
    /** Residual standard deviation with that divisor, in units of the deseasonalized series. */
    readonly s: Value
    /** t quantiles keyed by level. */
    readonly quantiles: Readonly<Record<string, Value>>
  }
}

/**
 * Forecast by decomposition: extend the trend of the deseasonalized series, put the season back.
 *
 * Limits are those of the trend's prediction, D ± t·s·√(1 + x₀ᵀ(XᵀX)⁻¹x₀), each put back into
 * season. The m−1 indices were estimated from the same data, so the residual degrees of freedom
 * are n − p − (m−1) and s uses that divisor. The uncertainty of the indices themselves is not in
 * the limits. Without degrees of freedom the points stand and the limits are undefined.
 *
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., sec. 3.1
 * @example trend 52.916 + 1.2332 t, t = 17, index 0.78269: 73.881, reseasonalized 57.826
 */
export function forecastByDecomposition(
  { model, trend, lastT, indexAt, seasonCost }: ForecastBasis,
  { horizon, levels }: Pick<ByDecompositionOptions, 'horizon' | 'levels'>,
): DecompositionForecast {
  const t = Array.from({ length: horizon }, (_, i) => lastT + 1 + i)
  const index = t.map(indexAt)
  const deseasonalized = t.map(trend.at)
  const leverage = t.map(trend.leverageAt)
  const inSeason = (value: number, i: number) => MODEL[model].putBack(value, index[i]!)

  const df = trend.fit.n - trend.fit.p - seasonCost
  const s = df > 0 ? Math.sqrt(trend.fit.sse / df) : null
  const quantiles: Record<string, Value> = {}
  const limits: Record<string, Limits> = {}
  for (const level of levels) {
    const quantile = df > 0 ? tQuantile(level, df) : null
    quantiles[level] = quantile
    const limit = (sign: 1 | -1) =>
      deseasonalized.map((value, i) =>
        s === null || quantile === null
          ? null
          : inSeason(value + sign * (quantile * s * Math.sqrt(1 + leverage[i]!)), i),
      )
    limits[level] = { lower: limit(-1), upper: limit(1) }
  }
  return {
    t,
    index,
    deseasonalized,
    forecast: deseasonalized.map(inSeason),
    leverage,
    limits,
    interval: { df, s, quantiles },
  }
}
