import { upperChiSquared } from '../statistics/distributions'

/** A test of whether the autocorrelations up to a lag are together more than noise. */
export interface LjungBox {
  readonly lag: number
  readonly q: number
  readonly df: number
  readonly p: number
}

/**
 * Ljung–Box statistic n(n + 2) Σ r(k)² ÷ (n − k) over the first lags, chi-squared with as many degrees of
 * freedom.
 *
 * @param r autocorrelations from lag 1, at least `lag` of them
 * @param count n
 * @see Ljung, G. M. & Box, G. E. P. (1978), Biometrika 65, 297–303
 */
export function ljungBox(r: readonly number[], count: number, lag: number): LjungBox {
  const sum = r.slice(0, lag).reduce((total, value, i) => total + value ** 2 / (count - i - 1), 0)
  const q = count * (count + 2) * sum
  return { lag, q, df: lag, p: upperChiSquared(q, lag) }
}
