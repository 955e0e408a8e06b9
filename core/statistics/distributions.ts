import betainc from '@stdlib/math-base-special-betainc'
import betaincinv from '@stdlib/math-base-special-betaincinv'
import erfcinv from '@stdlib/math-base-special-erfcinv'
import gammainc from '@stdlib/math-base-special-gammainc'

/**
 * Two-sided tail probability of Student's t, taken in the tail itself: I_x(ν/2, ½) with
 * x = ν/(ν + t²), so that a p of 1e-40 is not lost in 1 − CDF.
 *
 * @param t statistic
 * @param df degrees of freedom, above 0
 * @see Abramowitz & Stegun (1964), 26.7.1
 * @example twoSidedT(2.2281, 10) // 0.05
 */
export function twoSidedT(t: number, df: number): number {
  return betainc(df / (df + t * t), df / 2, 0.5)
}

/**
 * The t that a two-sided interval of this level reaches to.
 *
 * @param level coverage in per cent, between 0 and 100
 * @param df degrees of freedom, above 0
 * @example tQuantile(95, 10) // 2.228…
 */
export function tQuantile(level: number, df: number): number {
  const key = `${level} ${df}`
  const known = QUANTILES.get(key)
  if (known !== undefined) return known
  const x = betaincinv(1 - level / 100, df / 2, 0.5)
  const quantile = Math.sqrt((df * (1 - x)) / x)
  if (QUANTILES.size >= MOST_QUANTILES) QUANTILES.clear()
  QUANTILES.set(key, quantile)
  return quantile
}

/** The inverse is a search, and a batch of series of one length asks for the same few again and again. */
const QUANTILES = new Map<string, number>()
const MOST_QUANTILES = 500

/**
 * Upper tail probability of F, again taken in the tail: I_x(d₂/2, d₁/2), x = d₂/(d₂ + d₁F).
 *
 * @see Abramowitz & Stegun (1964), 26.6.2
 */
export function upperF(f: number, numeratorDf: number, denominatorDf: number): number {
  return betainc(
    denominatorDf / (denominatorDf + numeratorDf * f),
    denominatorDf / 2,
    numeratorDf / 2,
  )
}

/**
 * Upper tail probability of chi-squared, taken in the tail: Q(df/2, x/2).
 *
 * @param x statistic, not negative
 * @param df degrees of freedom, above 0
 * @see Abramowitz & Stegun (1964), 26.4.19
 * @example upperChiSquared(3.841459, 1) // 0.05
 */
export function upperChiSquared(x: number, df: number): number {
  return gammainc(x / 2, df / 2, true, true)
}

/**
 * The z that a two-sided interval of this level reaches to, of the normal distribution.
 *
 * @param level coverage in per cent, between 0 and 100
 * @see Abramowitz & Stegun (1964), 7.1
 * @example normalQuantile(95) // 1.959964
 */
export function normalQuantile(level: number): number {
  return Math.SQRT2 * erfcinv(1 - level / 100)
}
