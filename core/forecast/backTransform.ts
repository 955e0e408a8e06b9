import { mean } from '../statistics/average'
import type { BackTransform } from './commonOptions'

/**
 * What the median exp(ŷ) of a forecast of logarithms is multiplied by: 1 for the median itself, exp(s²/2) for the
 * mean of a lognormal, and the mean of exp(residual) for the mean whatever the distribution (smearing).
 *
 * @param s residual standard deviation on the scale of logarithms; undefined without degrees of freedom
 * @param residuals on that scale
 * @see Duan, N. (1983), Journal of the American Statistical Association 78, 605–610 (smearing)
 * @example backTransformFactor('mean', 0.2, []) // 1.0202
 */
export function backTransformFactor(
  how: BackTransform,
  s: number | null,
  residuals: readonly number[],
): number {
  switch (how) {
    case 'median':
      return 1
    case 'mean':
      return Math.exp((s ?? 0) ** 2 / 2)
    case 'smearing':
      return smearing(residuals)
  }
}

/** The mean of exp(residual). */
export function smearing(residuals: readonly number[]): number {
  return mean(residuals.map(Math.exp)) ?? 1
}
