import { standardDeviation } from '../../statistics/spread'
import type { Value } from '../../series'

/** How much of what varies is trend, and how much season, from 0 to 1; undefined when nothing varies. */
export interface Strength {
  readonly trend: Value
  readonly season: Value
}

/** Spread below this share of the largest value is rounding. */
const NO_SPREAD = 1e-10

/**
 * Strength of trend, max(0, 1 − Var(I) ÷ Var(T + I)), and of season, max(0, 1 − Var(I) ÷ Var(S + I)), over
 * the observed periods; on the log scale for a multiplicative model.
 *
 * @see Wang, X. et al. (2006), Characteristic-based clustering for time series data, Data Mining and
 *   Knowledge Discovery 13, 335–364
 */
export function strengths(
  y: readonly Value[],
  trend: readonly number[],
  seasonal: readonly number[],
  remainder: readonly Value[],
): Strength {
  const observed = remainder.flatMap((value, i) => (value === null ? [] : [i]))
  const largest = observed.reduce((most, i) => Math.max(most, Math.abs(y[i]!)), 0)
  const irregular = observed.map((i) => remainder[i]!)
  const strength = (component: readonly number[]): Value => {
    const spread = standardDeviation(observed.map((i, k) => component[i]! + irregular[k]!))
    const rest = standardDeviation(irregular)
    if (spread === null || rest === null || spread <= NO_SPREAD * largest) return null
    return Math.max(0, 1 - (rest / spread) ** 2)
  }
  return { trend: strength(trend), season: strength(seasonal) }
}
