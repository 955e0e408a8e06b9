import { MODEL } from '../../model'
import type { Value } from '../../series/series'
import { tQuantile } from '../../statistics/distributions'
import type { Trend } from '../../trend/fit'
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
  /** Variance of each period's index as a share of that of a single value. */
  readonly uncertainty: readonly number[]
  /** Keyed by level in per cent. */
  readonly limits: Readonly<Record<string, Limits>>
  readonly interval: {
    /** n − p − what the indices cost; not above 0 when too few values are left for limits. */
    readonly df: number
    /** Residual standard deviation with that divisor, in units of the deseasonalized series. */
    readonly s: Value
    /** The same of the residuals as shares of the trend, where noise grows with the level; else undefined. */
    readonly sRelative: Value
    /** t quantiles keyed by level. */
    readonly quantiles: Readonly<Record<string, Value>>
  }
}

/**
 * Forecast by decomposition: extend the trend of the deseasonalized series, put the season back.
 *
 * Limits are D ± t · scale · √(1 + h + g), each put back into season: h = x₀ᵀ(XᵀX)⁻¹x₀ is the uncertainty of
 * the trend, g that of the index. The indices were estimated from the same data, so what they cost is taken
 * from the residual degrees of freedom. In a multiplicative model noise grows with the level, so the scale is
 * s_rel · D, s_rel that of the residuals as shares of the trend; s itself where the trend is not above 0.
 * Without degrees of freedom the points stand and the limits are undefined.
 *
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., sec. 3.1
 * @example trend 52.916 + 1.2332 t, t = 17, index 0.78269: 73.881, reseasonalized 57.826
 */
export function forecastByDecomposition(
  { model, trend, lastT, indexAt, uncertaintyAt, seasonCost }: ForecastBasis,
  { horizon, levels }: Pick<ByDecompositionOptions, 'horizon' | 'levels'>,
): DecompositionForecast {
  const t = Array.from({ length: horizon }, (_, i) => lastT + 1 + i)
  const index = t.map(indexAt)
  const deseasonalized = t.map(trend.at)
  const leverage = t.map(trend.leverageAt)
  const uncertainty = t.map(uncertaintyAt)
  const inSeason = (value: number, i: number) => MODEL[model].putBack(value, index[i]!)

  const df = trend.fit.n - trend.fit.p - seasonCost
  const s = df > 0 ? Math.sqrt(trend.fit.sse / df) : null
  const sRelative = df > 0 && model === 'multiplicative' ? relativeDeviation(trend, df) : null
  const scaleAt = (level: number) => (sRelative !== null && level > 0 ? sRelative * level : s)
  const quantiles: Record<string, Value> = {}
  const limits: Record<string, Limits> = {}
  for (const level of levels) {
    const quantile = df > 0 ? tQuantile(level, df) : null
    quantiles[level] = quantile
    const limit = (sign: 1 | -1) =>
      deseasonalized.map((value, i) => {
        const scale = scaleAt(value)
        if (scale === null || quantile === null) return null
        const reach = quantile * scale * Math.sqrt(1 + leverage[i]! + uncertainty[i]!)
        return inSeason(value + sign * reach, i)
      })
    limits[level] = { lower: limit(-1), upper: limit(1) }
  }
  return {
    t,
    index,
    deseasonalized,
    forecast: deseasonalized.map(inSeason),
    leverage,
    uncertainty,
    limits,
    interval: { df, s, sRelative, quantiles },
  }
}

/** √(Σ((D − L)/L)² ÷ df) of the values D and the trend L; undefined where the trend is not above 0. */
function relativeDeviation({ fit, fittedValues }: Trend, df: number): Value {
  let squares = 0
  for (const [i, residual] of fit.residuals.entries()) {
    const level = fittedValues[i]! - residual
    if (level <= 0) return null
    squares += (residual / level) ** 2
  }
  return Math.sqrt(squares / df)
}
