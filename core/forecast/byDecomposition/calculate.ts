import { MODEL } from '../../model'
import type { Value } from '../../series/series'
import { backTransformFactor } from '../backTransform'
import { limitOf, requireNumbers } from '../beyondNumbers'
import type { Limits } from '../limits'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import type { ByDecompositionOptions } from './options'
import { spreadOf } from './spread'

/** A projection of the deseasonalized trend with the season put back. */
export interface DecompositionForecast extends CommonAhead {
  readonly by: 'decomposition'
  readonly deseasonalized: readonly number[]
  /** The index of each forecast period's season. */
  readonly index: readonly number[]
  /** x₀ᵀ(XᵀX)⁻¹x₀ of each period, of a smoothed trend Σc²: for retracing the limits. */
  readonly leverage: readonly number[]
  /** Variance of each period's index as a share of that of a single value. */
  readonly uncertainty: readonly number[]
  readonly interval: {
    /** n − p, of a smoothed trend N − k + 1, less what the indices and the calendar cost; not above 0 when too few values are left for limits. */
    readonly df: number
    /** Residual standard deviation with that divisor, in units of the deseasonalized series; of an exponential
     * trend of its logarithm. */
    readonly s: Value
    /** The same of the residuals as shares of the trend, where noise grows with the level; else undefined. */
    readonly sRelative: Value
    /** t quantiles keyed by level. */
    readonly quantiles: Readonly<Record<string, Value>>
    /** What the median is multiplied by for the point of an exponential trend; 1 for any other. */
    readonly backTransform: number
  }
}

/**
 * Forecast by decomposition: extend the trend of the deseasonalized series, put the season back.
 *
 * Limits are D ± t · scale · √(1 + h + g), each put back into season: h = x₀ᵀ(XᵀX)⁻¹x₀ is the uncertainty of
 * the trend, g that of the index. The indices were estimated from the same data, so what they cost is taken
 * from the residual degrees of freedom. In a multiplicative model noise grows with the level, so the scale is
 * s_rel · D, s_rel that of the residuals as shares of the trend; s itself where the trend is not above 0. An
 * exponential trend has its limits on the scale of logarithms, where they stay when they come back.
 * Of a smoothed trend h is Σc², c what an error is still worth in the forecast j periods later.
 * Without degrees of freedom the points stand and the limits are undefined.
 *
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., sec. 3.1
 * @example trend 52.916 + 1.2332 t, t = 17, index 0.78269: 73.881, reseasonalized 57.826
 */
export function forecastByDecomposition(
  basis: Omit<ForecastBasis, 'stretch' | 'start' | 'trendOptions' | 'calculateMember'>,
  {
    horizon,
    levels,
    backTransform = 'median',
  }: Pick<ByDecompositionOptions, 'horizon' | 'levels' | 'backTransform'>,
): Forecasted<DecompositionForecast> {
  const { model, trend, lastT, indexAt, uncertaintyAt, seasonCost, costBefore, index: past } = basis
  const { ofLog, missed, centreAt, leverageAt } = trend.spread
  const t = Array.from({ length: horizon }, (_, i) => lastT + 1 + i)
  const index = t.map(indexAt)
  const uncertainty = t.map(uncertaintyAt)
  const { putBack } = MODEL[model]
  const cost = seasonCost + costBefore

  const { df, s, sRelative, quantileOf } = spreadOf(trend.spread, cost, model)
  const leverage = t.map(leverageAt)
  const residuals = () => missed().map(([residual]) => residual)
  const factor = ofLog ? backTransformFactor(backTransform, s, residuals()) : 1
  const deseasonalized = t.map((at) => trend.at(at) * factor)
  const scaleAt = (level: number) => (sRelative !== null && level > 0 ? sRelative * level : s)
  const quantiles: Record<string, Value> = {}
  const limits: Record<string, Limits> = {}
  for (const level of levels) {
    const quantile = df > 0 ? quantileOf(level) : null
    quantiles[level] = quantile
    const limit = (sign: 1 | -1) =>
      t.map((at, i) => {
        const centre = centreAt(at)
        const scale = ofLog ? s : scaleAt(centre)
        if (scale === null || quantile === null) return null
        const reach = quantile * scale * Math.sqrt(1 + leverage[i]! + uncertainty[i]!)
        const edge = centre + sign * reach
        return limitOf(putBack(ofLog ? Math.exp(edge) : edge, index[i]!))
      })
    limits[level] = { lower: limit(-1), upper: limit(1) }
  }
  const forecast = deseasonalized.map((value, i) => putBack(value, index[i]!))
  requireNumbers(forecast)
  return {
    ahead: {
      by: 'decomposition',
      t,
      index,
      deseasonalized,
      forecast,
      leverage,
      uncertainty,
      limits,
      interval: { df, s, sRelative, quantiles, backTransform: factor },
    },
    fitted: past.map((own, i) => {
      const at = lastT - past.length + 1 + i
      return at < trend.from ? null : putBack(trend.at(at), own)
    }),
    level: {
      values: deseasonalized,
      atOrigin: trend.at(lastT) * factor,
      season: basis.hasSeason ? model : null,
    },
    estimated: trend.estimated + cost,
    inProportion: model === 'multiplicative' || ofLog,
    report: () => null,
  }
}
