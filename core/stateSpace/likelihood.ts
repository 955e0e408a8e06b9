import type { Value } from '../series/series'
import type { Runner } from './recursion'

/** How well a smoothing fits, from the sums of its last pass. */
export interface Likelihood {
  /** −2 ln L less its constant; undefined for a sum of squares of 0. */
  readonly minus2LogLikelihood: Value
  /** V = N · exp(−2 ln L ÷ N), in squared units of the series: Σe² for additive errors. */
  readonly criterion: number
}

/** Information criteria, each undefined where the likelihood is, or the numbers estimated are too many. */
export interface Criteria {
  readonly k: number
  readonly aic: Value
  readonly aicc: Value
  readonly bic: Value
}

/**
 * −2 ln L of the last pass: N ln(Σe²/N), for proportional errors N ln(Σ(e/μ)²/N) + 2 Σ ln μ.
 *
 * @see Ord, J. K., Koehler, A. B. & Snyder, R. D. (1997), Journal of the American Statistical Association 92
 */
export function likelihoodOf({ form, observed: n, sums }: Runner): Likelihood {
  const isRelative = form.error === 'proportional'
  const squares = isRelative ? sums.sseRelative : sums.sse
  if (!(squares > 0)) return { minus2LogLikelihood: null, criterion: 0 }
  const value = n * Math.log(squares / n) + (isRelative ? 2 * sums.logMu : 0)
  return { minus2LogLikelihood: value, criterion: isRelative ? n * Math.exp(value / n) : sums.sse }
}

/**
 * AIC, AICc and BIC.
 *
 * @param k numbers estimated, the variance among them
 * @param n periods with a value
 */
export function criteriaOf(minus2LogLikelihood: Value, k: number, n: number): Criteria {
  if (minus2LogLikelihood === null) return { k, aic: null, aicc: null, bic: null }
  const aic = minus2LogLikelihood + 2 * k
  return {
    k,
    aic,
    aicc: n > k + 1 ? aic + (2 * k * (k + 1)) / (n - k - 1) : null,
    bic: minus2LogLikelihood + k * Math.log(n),
  }
}
