import type { Value } from '../series/series'

/**
 * By how much fewer independent values there are than values, as the likeness of neighbours says:
 * (1 + r) ÷ (1 − r), r the autocorrelation at lag 1, held between 0 and a limit. Neighbours that are alike say
 * the same thing twice, so a variance that takes them for independent is too small by this.
 *
 * @param residuals around 0, null = missing
 * @param most r at the most
 * @see Bayley, G. V. & Hammersley, J. M. (1946), Journal of the Royal Statistical Society, Supplement 8, 184–197
 * @example residuals whose neighbours correlate by 0.5: 3
 */
export function inflation(residuals: readonly Value[], most: number): number {
  let products = 0
  let squares = 0
  residuals.forEach((value, i) => {
    if (value === null) return
    squares += value * value
    products += value * (residuals[i - 1] ?? 0)
  })
  const r = squares === 0 ? 0 : Math.min(Math.max(products / squares, 0), most)
  return (1 + r) / (1 - r)
}
