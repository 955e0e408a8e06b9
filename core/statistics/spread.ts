import { mean } from './average'

/**
 * Sample standard deviation in two passes, divisor n − 1; undefined for fewer than two values.
 *
 * @example standardDeviation([2, 4, 6]) // 2
 */
export function standardDeviation(values: readonly number[]): number | null {
  if (values.length < 2) return null
  const centre = mean(values)!
  let squares = 0
  for (const value of values) squares += (value - centre) ** 2
  return Math.sqrt(squares / (values.length - 1))
}

/** Standard error of the mean, s / √n; undefined for fewer than two values. */
export function standardErrorOfMean(values: readonly number[]): number | null {
  const deviation = standardDeviation(values)
  return deviation === null ? null : deviation / Math.sqrt(values.length)
}
