import { mean } from '../statistics/average'

/** Distance from 0 that autocorrelations of pure noise keep in 95 of 100 cases, in units of 1/√n. */
const NORMAL_95 = 1.96

/**
 * Autocorrelation r(1)…r(lags): covariance with the values k periods before, divisor n, over the variance.
 *
 * @param values n values without a gap
 * @param lags how many; at most n − 1 are given
 * @returns null for a constant series, whose variance is 0
 * @see Box, G. E. P. & Jenkins, G. M. (1970), Time Series Analysis, sec. 2.1
 * @example autocorrelation([1, 2, 3, 4], 1) // [0.25]
 */
export function autocorrelation(values: readonly number[], lags: number): number[] | null {
  const centre = mean(values) ?? 0
  const departures = values.map((value) => value - centre)
  const productAt = (lag: number) => {
    let sum = 0
    for (let t = lag; t < departures.length; t++) sum += departures[t]! * departures[t - lag]!
    return sum
  }
  const variance = productAt(0)
  const isConstant = values.every((value) => value === values[0])
  if (isConstant || variance === 0) return null
  const most = Math.min(lags, values.length - 1)
  return Array.from({ length: most }, (_, i) => productAt(i + 1) / variance)
}

/**
 * Half the width of the band in which the autocorrelations of noise stay: 1.96 ÷ √n.
 *
 * @param count n
 */
export function autocorrelationLimit(count: number): number {
  return NORMAL_95 / Math.sqrt(count)
}

/**
 * Partial autocorrelation from the autocorrelations, by the Durbin–Levinson recursion: what lag k says that
 * the lags before it do not.
 *
 * @param r autocorrelations from lag 1
 * @see Durbin, J. (1960), Review of the International Statistical Institute 28, 233–244
 * @example partialAutocorrelation([0.5, 0.25]) // [0.5, 0]
 */
export function partialAutocorrelation(r: readonly number[]): number[] {
  const partial: number[] = []
  let coefficients: number[] = []
  let left = 1
  r.forEach((correlation, k) => {
    const explained = coefficients.reduce((sum, phi, j) => sum + phi * r[k - 1 - j]!, 0)
    const own = (correlation - explained) / left
    coefficients = [...coefficients.map((phi, j) => phi - own * coefficients[k - 1 - j]!), own]
    left *= 1 - own * own
    partial.push(own)
  })
  return partial
}
