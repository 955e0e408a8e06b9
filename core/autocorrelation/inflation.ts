import type { Value } from '../series/series'

/**
 * By how much fewer independent values there are than values, as the likeness of neighbours says:
 * (1 + r) ÷ (1 − r), r the autocorrelation at lag 1, held between 0 and a limit. Neighbours that are alike say
 * the same thing twice, so a variance that takes them for independent is too small by this.
 *
 * What lines were fitted to looks less alike than it is: a level and a slope through n values take about
 * (2 + 4r)/n from the autocorrelation of what they leave. So p numbers, fitted two by two to stretches of it, take
 * (1 + 2r)p/n, which is put back.
 *
 * @param residuals around 0, null = missing
 * @param most r at the most
 * @param fitted p
 * @see Bayley, G. V. & Hammersley, J. M. (1946), Journal of the Royal Statistical Society, Supplement 8, 184–197
 * @see Kendall, M. G. (1954), Biometrika 41, 403–404, for what fitting takes from an autocorrelation
 * @example residuals whose neighbours correlate by 0.5, nothing fitted: 3
 */
export function inflation(residuals: readonly Value[], most: number, fitted: number): number {
  let products = 0
  let squares = 0
  let n = 0
  residuals.forEach((value, i) => {
    if (value === null) return
    n++
    squares += value * value
    products += value * (residuals[i - 1] ?? 0)
  })
  if (squares === 0) return 1
  const spent = fitted / n
  // Where half of the values went into the lines, what is left of them says nothing: the worst is taken.
  const kept = 1 - 2 * spent
  const r = kept <= 0 ? most : Math.min(Math.max((products / squares + spent) / kept, 0), most)
  return (1 + r) / (1 - r)
}
