import { mean } from '../statistics/average'

/** With fewer origins nothing is said of which method is better. */
export const FEWEST_ORIGINS = 8

/** Whether the figures of two methods over the same origins differ by more than chance. */
export interface Comparison {
  readonly isTie: boolean
  /** Mean of the differences: above 0 the first is further off. */
  readonly mean: number
  /** Differences up to this are chance. */
  readonly allowed: number
}

/**
 * Compares two methods by the differences of their figures, origin by origin.
 *
 * Forecasts from neighbouring origins share most of what they forecast, so the differences are like one another:
 * their variance is summed over H/s lags with falling weights, and the critical value is that of a sum over a
 * fixed share b of the origins. With the normal quantile alone a true tie would be rejected in four cases of ten.
 *
 * @param differences one an origin, in the order of time
 * @param horizon periods ahead
 * @param step periods from one origin to the next
 * @returns null with fewer than eight origins
 * @see Kiefer, N. M. & Vogelsang, T. J. (2005), Econometric Theory 21, 1130–1164
 * @see Diebold, F. X. & Mariano, R. S. (1995), Journal of Business & Economic Statistics 13, 253–263
 * @example compare(Array(36).fill(0), 12, 1) // { isTie: true, mean: 0, allowed: 0 }
 */
export function compare(
  differences: readonly number[],
  horizon: number,
  step: number,
): Comparison | null {
  const count = differences.length
  if (count < FEWEST_ORIGINS) return null
  const centre = mean(differences)!
  const off = differences.map((d) => d - centre)
  const lags = Math.min(Math.ceil(horizon / step) - 1, Math.floor(count / 2))
  const covariance = (lag: number) => {
    let sum = 0
    for (let i = lag; i < count; i++) sum += off[i]! * off[i - lag]!
    return sum / count
  }
  let variance = covariance(0)
  for (let lag = 1; lag <= lags; lag++) {
    variance += 2 * (1 - lag / (lags + 1)) * covariance(lag)
  }
  // A sum that falls to 0 by rounding must not become the root of something negative.
  const allowed = criticalValue((lags + 1) / count) * Math.sqrt(Math.max(0, variance) / count)
  return { isTie: variance <= 0 || Math.abs(centre) <= allowed, mean: centre, allowed }
}

/** Two-sided 10% of the mean over its own standard error, the variance summed over a share b of the origins. */
function criticalValue(b: number): number {
  return 1.6449 + 2.1859 * b + 0.3142 * b ** 2 - 0.3427 * b ** 3
}
