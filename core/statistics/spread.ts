import { mean, median } from './average'

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

/** What a median absolute deviation is multiplied by to be a standard deviation where chance is normal. */
const NORMAL_MAD = 1.4826

/**
 * 1.4826 × the median distance from the median: a spread that single outliers do not decide; undefined
 * without values.
 *
 * @example robustSpread([1, 2, 3, 4, 100]) // 1.4826, the distances from 3 being 2, 1, 0, 1, 97
 */
export function robustSpread(values: readonly number[]): number | null {
  const centre = median(values)
  if (centre === null) return null
  return NORMAL_MAD * median(values.map((value) => Math.abs(value - centre)))!
}

/** Standard error of the mean, s / √n; undefined for fewer than two values. */
export function standardErrorOfMean(values: readonly number[]): number | null {
  const deviation = standardDeviation(values)
  return deviation === null ? null : deviation / Math.sqrt(values.length)
}
