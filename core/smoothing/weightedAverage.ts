import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { figure } from '../words/figure'

/** Typed weights may miss a sum of 1 by no more than this. */
const SUM_TOLERANCE = 1e-9

/**
 * Weighted moving average, centred where nothing else is said.
 *
 * A missing value under a weight of 0 still leaves the average undefined: the window is the window.
 *
 * @param values one a period, null = missing
 * @param weights in the order of time; for a centred average an odd number, the middle one for the period itself
 * @param reach periods from a value's own to the one under the first weight
 * @returns one entry a period, undefined where the window leaves the values
 * @example weightedAverage([2, 4, 10], [0.25, 0.5, 0.25]) // [null, 5, null]
 * @example weightedAverage([2, 4, 10], [0.25, 0.75], -1) // [null, 3.5, 8.5]
 */
export function weightedAverage(
  values: readonly Value[],
  weights: readonly number[],
  reach = -(weights.length - 1) / 2,
): Value[] {
  return values.map((_, t) => {
    let sum = 0
    for (const [j, weight] of weights.entries()) {
      const value = values[t + reach + j]
      if (value === null || value === undefined) return null
      sum += weight * value
    }
    return sum
  })
}

/**
 * Weights of the last periods as a person typed them, the newest first, in the order of time and summing to 1:
 * what sums to something else is divided by it, since `3 2 1` is how such weights are written.
 *
 * @throws Refusal when they sum to 0 or less, which nothing can be divided by
 * @example trailingWeights([3, 2, 1]) // [1/6, 2/6, 3/6]
 */
export function trailingWeights(newestFirst: readonly number[]): number[] {
  const sum = newestFirst.reduce((total, weight) => total + weight, 0)
  if (!(sum > SUM_TOLERANCE)) {
    throw new Refusal(
      newestFirst.length === 0
        ? 'No weight is given. Write one for each period, the newest first.'
        : newestFirst.every(Number.isFinite)
          ? `The weights sum to ${figure(sum)}; to average, they must sum to more than 0.`
          : 'One of the weights is no number.',
      'weights',
    )
  }
  const divisor = Math.abs(sum - 1) <= SUM_TOLERANCE ? 1 : sum
  return newestFirst.map((weight) => weight / divisor).reverse()
}

/**
 * Checks weights that a person typed: an odd number of them, symmetric, summing to 1. They are
 * never rescaled; a sum of 0.9 is a mistake to be seen, not to be mended in silence.
 *
 * @throws Refusal saying which of the three does not hold
 */
export function requireWeights(weights: readonly number[]): void {
  if (weights.length % 2 === 0) {
    throw new Refusal(
      `There are ${weights.length} weights; an odd number is needed, so that the average stands on a period.`,
      'weights',
    )
  }
  if (weights.some((weight, j) => weight !== weights[weights.length - 1 - j])) {
    throw new Refusal(
      'The weights must be symmetric, the first equal to the last and so on.',
      'weights',
    )
  }
  const sum = weights.reduce((total, weight) => total + weight, 0)
  if (!(Math.abs(sum - 1) <= SUM_TOLERANCE)) {
    throw new Refusal(
      `The weights must sum to 1; they sum to ${Number(sum.toPrecision(12))}.`,
      'weights',
    )
  }
}

/**
 * Spencer's 15 weights: they pass cubics unchanged and remove seasons of 4 and 5 terms.
 *
 * @see Spencer, J. (1904), Journal of the Institute of Actuaries 38, 334–343
 */
export const SPENCER: readonly number[] = [
  -3, -6, -5, 3, 21, 46, 67, 74, 67, 46, 21, 3, -5, -6, -3,
].map((weight) => weight / 320)

/**
 * Henderson's weights: of all averages of a length that pass cubics unchanged, the smoothest.
 *
 * With q = p + 2: w_j ∝ [(q−1)²−j²][q²−j²][(q+1)²−j²][3q²−16−11j²], constant
 * 315 / (8q(q²−1)(4q²−1)(4q²−9)(4q²−25)), j = −p…p.
 *
 * @param length 2p + 1, odd and at least 5
 * @throws Refusal for an even or too small length
 * @see Henderson, R. (1916), Transactions of the Actuarial Society of America 17, 43–48
 * @example henderson(5) // [−0.0734, 0.2937, 0.5594, 0.2937, −0.0734]
 */
export function henderson(length: number): number[] {
  if (!Number.isInteger(length) || length % 2 === 0 || length < 5) {
    throw new Refusal(
      `A Henderson average needs an odd number of at least 5 terms, not ${length}.`,
      'length',
    )
  }
  const p = (length - 1) / 2
  const q = p + 2
  const square = q * q
  const constant =
    315 / (8 * q * (square - 1) * (4 * square - 1) * (4 * square - 9) * (4 * square - 25))
  return Array.from({ length }, (_, i) => {
    const j = (i - p) ** 2
    return (
      constant * ((q - 1) ** 2 - j) * (square - j) * ((q + 1) ** 2 - j) * (3 * square - 16 - 11 * j)
    )
  })
}
