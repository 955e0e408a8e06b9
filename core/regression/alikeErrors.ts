import { autocorrelation } from '../autocorrelation/autocorrelation'
import type { Value } from '../series/series'

/** What a covariance is made of where errors of periods near each other may be alike. */
export interface AlikeErrors {
  /** How much every period takes part in each coefficient, in time; nothing at one that was not fitted. */
  readonly parts: readonly ArrayLike<number>[]
  /** One a period; null where nothing was fitted. */
  readonly residuals: readonly Value[]
  /** Degrees of freedom that the fit left. */
  readonly df: number
}

/**
 * How far apart errors are counted as alike, in periods: 1.3 √n, further than their number alone asks for.
 *
 * A short reach takes too little from errors that are alike for long, and limits come out too narrow.
 *
 * @see Journal of Business & Economic Statistics 36 (2018), 541–559
 * @example reachOfLikeness(730) // 35
 */
export function reachOfLikeness(periods: number): number {
  return Math.floor(1.3 * Math.sqrt(periods))
}

/**
 * Covariance of coefficients of least squares that holds also where errors of periods near each other are alike.
 *
 * A coefficient is the sum of the values, each times its part, so its variance is a sum over all pairs of periods: part × part ×
 * s² × autocorrelation of the errors as far apart as they are, with weights of 1 − (periods apart) / (reach + 1), which keep it from
 * falling below 0. A column with days in a row takes their errors together: where these are alike, s²(XᵀX)⁻¹ says half of the
 * variance. The autocorrelations come from all residuals, not from those of the column's own days, which may be but a few.
 *
 * @param reach how many periods apart errors are still counted as alike; 0 for not at all, which is s²(XᵀX)⁻¹
 * @see Econometrica 55 (1987), 703–708, for the weights
 * @example covarianceOfAlike({ parts: [[½, ½]], residuals: [1, −1], df: 1 }, 1)
 *   // [[0.75]]: s² = 2, r(1) = −½, so 2 × (¼ + ¼ + ½ × −½ × 2 × ¼)
 */
export function covarianceOfAlike(
  { parts, residuals, df }: AlikeErrors,
  reach: number,
): number[][] {
  // Residuals are 0 on average, so that a missing one takes no part as 0.
  const errors = residuals.map((one) => one ?? 0)
  const s2 = together(errors, errors, 0) / df
  const likeness = autocorrelation(errors, reach) ?? []
  const covariance = parts.map(() => new Array<number>(parts.length).fill(0))
  parts.forEach((own, i) => {
    parts.slice(0, i + 1).forEach((other, j) => {
      const sum = likeness.reduce(
        (all, alike, k) => {
          const apart = k + 1
          const pairs = together(own, other, apart) + together(other, own, apart)
          return all + (1 - apart / (reach + 1)) * alike * pairs
        },
        together(own, other, 0),
      )
      covariance[i]![j] = covariance[j]![i] = s2 * sum
    })
  })
  return covariance
}

/**
 * The same where no variance is let fall below that of independent errors.
 *
 * What a trend does not follow is alike for long, and would be counted as cancelling between a date and the weeks around it, which
 * it does not: limits of single days would be half as wide, and leave nothing out in an eighth of series in place of a thirtieth.
 *
 * @param covariance that of errors that are alike
 * @param independent that of independent ones, of the same coefficients
 * @example noSmaller([[1, 0], [0, 4]], [[4, 0], [0, 1]]) // [[4, 0], [0, 4]]
 */
export function noSmaller(
  covariance: readonly (readonly number[])[],
  independent: readonly (readonly number[])[],
): number[][] {
  const times = covariance.map((row, i) =>
    row[i]! > 0 ? Math.sqrt(Math.max(1, independent[i]![i]! / row[i]!)) : 1,
  )
  // Scaled by row and column, so that correlations stay.
  return covariance.map((row, i) => row.map((own, j) => times[i]! * own * times[j]!))
}

/** Sum of the products of one at a period and the other so many periods before. */
function together(one: ArrayLike<number>, other: ArrayLike<number>, apart: number): number {
  let sum = 0
  for (let t = apart; t < one.length; t++) sum += one[t]! * other[t - apart]!
  return sum
}
