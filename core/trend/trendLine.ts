import type { Value } from '../series/series'
import { leastSquares, type LeastSquares } from '../regression/leastSquares'

/** A straight line through values in time, with the fit it came from. */
export interface TrendLine {
  readonly intercept: number
  /** Change a period, in units of the values. */
  readonly slope: number
  readonly fit: LeastSquares
  /** The values that were fitted, gaps left out. */
  readonly fittedValues: readonly number[]
  /** Value minus line at every period given; undefined where the value is missing. */
  readonly residuals: readonly Value[]
  /** The line at a time code. */
  at(t: number): number
}

/**
 * Least-squares line of values on their time code.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param firstT time code of the first entry; it is not renumbered
 * @throws Refusal with fewer than three values
 * @example trendLine([3, null, 7, 9], 1).slope // 2
 */
export function trendLine(values: readonly Value[], firstT: number): TrendLine {
  const present = values.flatMap((value, i) => (value === null ? [] : [{ t: firstT + i, value }]))
  const fittedValues = present.map((point) => point.value)
  const fit = leastSquares(fittedValues, [{ name: 't', values: present.map((point) => point.t) }])
  const [intercept, slope] = fit.coefficients as [number, number]
  let next = 0
  return {
    intercept,
    slope,
    fit,
    fittedValues,
    residuals: values.map((value) => (value === null ? null : fit.residuals[next++]!)),
    at: (t) => intercept + slope * t,
  }
}
