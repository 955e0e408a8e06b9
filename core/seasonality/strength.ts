import { standardDeviation } from '../statistics/spread'
import type { Value } from '../series/series'
import type { Model } from '../model'

/** How much of what varies is trend, and how much season, from 0 to 1; undefined when nothing varies. */
export interface Strength {
  readonly trend: Value
  readonly season: Value
}

/** Spread below this share of the largest value is rounding. */
const NO_SPREAD = 1e-10

/**
 * Strength of trend, max(0, 1 − Var(I) ÷ Var(T + I)), and of season, max(0, 1 − Var(I) ÷ Var(S + I)), over
 * the periods that have an irregular; on the scale on which the components add up.
 *
 * @param trend T, one entry a period
 * @param seasonal S
 * @param remainder I, undefined where the period does not count
 * @see Wang, X. et al. (2006), Characteristic-based clustering for time series data, Data Mining and
 *   Knowledge Discovery 13, 335–364
 */
export function strengths(
  trend: readonly Value[],
  seasonal: readonly number[],
  remainder: readonly Value[],
): Strength {
  const observed = remainder.flatMap((value, i) => (value === null || trend[i] === null ? [] : [i]))
  const irregular = observed.map((i) => remainder[i]!)
  const rest = standardDeviation(irregular)
  const largest = observed.reduce(
    (most, i) => Math.max(most, Math.abs(trend[i]! + seasonal[i]! + remainder[i]!)),
    0,
  )
  const strength = (component: readonly Value[]): Value => {
    const spread = standardDeviation(observed.map((i, k) => component[i]! + irregular[k]!))
    if (spread === null || rest === null || spread <= NO_SPREAD * largest) return null
    return Math.max(0, 1 - (rest / spread) ** 2)
  }
  return { trend: strength(trend), season: strength(seasonal) }
}

/**
 * Strengths of components in the units of the series: in logarithms for a multiplicative model.
 *
 * @param parts T, S and I as the series is made up of them
 */
export function strengthsOf(
  model: Model,
  parts: {
    readonly trend: readonly Value[]
    readonly seasonal: readonly number[]
    readonly remainder: readonly Value[]
  },
): Strength {
  if (model === 'additive') return strengths(parts.trend, parts.seasonal, parts.remainder)
  const log = (value: Value) => (value === null || value <= 0 ? null : Math.log(value))
  const seasonal = parts.seasonal.map((value) => log(value) ?? 0)
  const remainder = parts.remainder.map((value, i) => (parts.seasonal[i]! <= 0 ? null : log(value)))
  return strengths(parts.trend.map(log), seasonal, remainder)
}
