import type { Value } from '../series/series'
import { leastSquares } from './leastSquares'

/**
 * Least-squares polynomial of values in time, at every period.
 *
 * Fitted in centred and scaled time, so that the powers of a long time code do not drown each other.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param degree 1 for a line, 2 a parabola, 3 a cubic
 * @returns the fitted value of every period, missing ones included, in units of the values
 * @throws Refusal with too few values
 * @example polynomialTrend([1, 4, 9, 16, 25], 2) // [1, 4, 9, 16, 25]
 */
export function polynomialTrend(values: readonly Value[], degree: number): number[] {
  const half = Math.max(1, (values.length - 1) / 2)
  const time = values.map((_, i) => (i - half) / half)
  const present = values.flatMap((value, i) => (value === null ? [] : [i]))
  const powers = Array.from({ length: degree }, (_, j) => j + 1)
  const fit = leastSquares(
    present.map((i) => values[i]!),
    powers.map((power) => ({
      name: power === 1 ? 't' : `t^${power}`,
      values: present.map((i) => time[i]! ** power),
    })),
  )
  return time.map((u) =>
    fit.coefficients.reduceRight((sum, coefficient) => sum * u + coefficient, 0),
  )
}
