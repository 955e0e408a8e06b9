import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import {
  concentratedLikelihood,
  errorAt,
  filter,
  ready,
  sumOfSquaresWith,
  type ArimaData,
  type Likelihood,
  type ReadyData,
} from './likelihood'
import { numbersOf, type ArmaCoefficients } from './order'
import { rootsOf, smallestModulus, type Root } from './polynomial'
import { maximum, oneModel, type Breadth } from './search'
import { standardErrors, type ArimaErrors } from './standardErrors'

/** An ARIMA model fitted to values, on the scale that it is of. */
export interface ArimaFit {
  readonly data: ArimaData
  readonly coefficients: ArmaCoefficients
  /** Of the columns: mean or drift first where there is one. */
  readonly beta: readonly number[]
  /** N */
  readonly count: number
  /** Coefficients, and 1 for σ². */
  readonly k: number
  /** S/N */
  readonly sigma2: number
  /** S/(N − k + 1), which limits use. */
  readonly s2: number
  /** S and Σ ln F_t + Σ ln F∞,t. */
  readonly sumOfSquares: number
  readonly logDeterminant: number
  /** With σ² = S/N, where it is highest. */
  readonly logLikelihood: number
  readonly aic: number
  /** Undefined with too few values for so many coefficients. */
  readonly aicc: Value
  readonly bic: number
  readonly roots: { readonly ar: readonly Root[]; readonly ma: readonly Root[] }
  /** The smallest moduli; null without roots. */
  readonly arRoot: Value
  readonly maRoot: Value
  /** One a period: what the one-step prediction was off by, and by how much it is usually off; undefined where nothing is predicted. */
  readonly errors: readonly Value[]
  readonly variances: readonly Value[]
  /** Worked out when asked for; null with a root too near the unit circle. */
  standardErrors(): ArimaErrors | null
}

/** A root nearer to the unit circle than this is on it, for all that can be told. */
export const CLEAR_OF_CIRCLE = 1.001

/**
 * Fits a model by exact maximum likelihood.
 *
 * @param where path in the document, for a refusal
 * @throws Refusal with too few values for the coefficients, for columns that say the same, for gaps that leave the start
 *   undetermined, and where nothing is left over
 * @see Box, G. E. P. & Jenkins, G. M. (1970); Durbin, J. & Koopman, S. J. (2012), ch. 7
 */
export function fitArima(
  data: ArimaData,
  where: string,
  breadth: Breadth = oneModel(countOf(data) - 1 - data.columns.length),
): ArimaFit {
  const own = ready(data, where)
  requireRoom(own, where)
  const best = maximum(own, breadth)
  if (!best) {
    throw new Refusal(
      'The model leaves nothing over, or the gaps leave its start undetermined. Take fewer terms or differences, or fill the gaps.',
      where,
    )
  }
  return fitOf(own, best.coefficients, best.likelihood)
}

/** A model with given coefficients as if they had been found. @returns null where it is not stationary */
export function fitWith(
  data: ArimaData,
  coefficients: ArmaCoefficients,
  beta: readonly number[],
  where: string,
): ArimaFit | null {
  const own = ready(data, where)
  const filtered = filter(own, coefficients)
  if (!filtered) return null
  const sumOfSquares = sumOfSquaresWith(filtered, beta)
  const { logDeterminant } = filtered
  return fitOf(own, coefficients, {
    ...{ beta, sumOfSquares, logDeterminant, filtered },
    concentrated: concentratedLikelihood(own.count, sumOfSquares, logDeterminant),
  })
}

/** Coefficients of a model and 1 for σ². */
export function countOf({ order, columns }: ArimaData): number {
  return numbersOf(order, columns.length)
}

function requireRoom({ data, count }: ReadyData, where: string): void {
  const k = countOf(data)
  if (count - k + 1 > 0) return
  throw new Refusal(
    `A model of ${k - 1} coefficients needs at least ${k} values after its differences; there are ${count}. Take fewer terms, or a longer span.`,
    where,
  )
}

function fitOf(own: ReadyData, coefficients: ArmaCoefficients, likelihood: Likelihood): ArimaFit {
  const { data, count, lost } = own
  const { beta, sumOfSquares, logDeterminant, concentrated, filtered } = likelihood
  const k = countOf(data)
  const roots = rootsOf(coefficients, data.seasons)
  const [arRoot, maRoot] = [smallestModulus(roots.ar), smallestModulus(roots.ma)]
  // Of differences the first entry is the first period that has one.
  const skipped = own.differences ? lost : 0
  const inTime = (of: (t: number) => number) =>
    data.values.map((_, t): Value => (filtered.counts[t - skipped] ? of(t - skipped) : null))
  let errors: ArimaErrors | null | undefined
  return {
    ...{ data, coefficients, beta, count, k, roots, arRoot, maRoot, sumOfSquares, logDeterminant },
    sigma2: sumOfSquares / count,
    s2: sumOfSquares / (count - k + 1),
    logLikelihood: concentrated,
    ...criteria(concentrated, k, count),
    errors: inTime((t) => errorAt(filtered, beta, t)),
    variances: inTime((t) => filtered.variances[t]!),
    standardErrors: () =>
      (errors ??=
        isClear(arRoot) && isClear(maRoot) ? standardErrors(own, coefficients, beta) : null),
  }
}

/** Whether a smallest root stands clear of the unit circle. */
export function isClear(root: Value): boolean {
  return root === null || root >= CLEAR_OF_CIRCLE
}

function criteria(logLikelihood: number, k: number, count: number) {
  const room = count - k - 1
  const aic = -2 * logLikelihood + 2 * k
  return {
    aic,
    aicc: room > 0 ? aic + (2 * k * (k + 1)) / room : null,
    bic: -2 * logLikelihood + k * Math.log(count),
  }
}
