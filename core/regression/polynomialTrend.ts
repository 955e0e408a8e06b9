import type { Value } from '../series/series'
import type { DesignColumn } from './design'
import { leastSquares } from './leastSquares'

/**
 * Least-squares polynomial of values in time, at every period.
 *
 * Fitted in centred and scaled time, so that the powers of a long time code do not drown each other.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param powers of time, from the first on
 * @returns the fitted value of every period, missing ones included, in units of the values
 * @throws Refusal with too few values
 * @example polynomialTrend([1, 4, 9, 16, 25], powersOfTime(2)) // [1, 4, 9, 16, 25]
 */
export function polynomialTrend(
  values: readonly Value[],
  powers: readonly DesignColumn[],
): number[] {
  const half = Math.max(1, (values.length - 1) / 2)
  const time = values.map((_, i) => (i - half) / half)
  const present = values.flatMap((value, i) => (value === null ? [] : [i]))
  const fit = leastSquares(
    present.map((i) => values[i]!),
    powers.map(({ name, at }) => ({ name, values: present.map((i) => at(time[i]!)) })),
  )
  return time.map((u) =>
    fit.coefficients.reduceRight((sum, coefficient) => sum * u + coefficient, 0),
  )
}
