import type { Value } from '../series/series'

/** The mean of a window, or undefined when any of its values is missing. */
function windowMean(values: readonly Value[], from: number, order: number): Value {
  let sum = 0
  for (let i = from; i < from + order; i++) {
    const value = values[i]
    if (value === null) return null
    sum += value!
  }
  return sum / order
}

/**
 * Moving averages before they are centred.
 *
 * Entry i (from 0) is the mean of the `order` values that start at entry i. It stands at
 * {@link offCentrePosition}: between two periods when the order is even. Each window is summed
 * afresh, so that one huge value leaves no trace in later averages.
 *
 * @param values one entry a period, null = missing
 * @param order number of terms, a whole number from 1
 * @returns one entry a period; undefined where the window runs off the end or holds a missing value
 * @example offCentreAverages([1, 3, 5, 7], 2) // [2, 4, 6, null]
 */
export function offCentreAverages(values: readonly Value[], order: number): Value[] {
  const averages = Array<Value>(values.length).fill(null)
  for (let i = 0; i + order <= values.length; i++) averages[i] = windowMean(values, i, order)
  return averages
}

/** Time code at which the average that starts at time code `first` stands. */
export function offCentrePosition(first: number, order: number): number {
  return first + (order - 1) / 2
}

/**
 * Centred moving average.
 *
 * An odd order k is the mean of y(t−h)…y(t+h), h = (k−1)/2. An even order falls between two
 * periods, so the two averages on either side of a period are averaged once more ("2×k"):
 * C(t) = (A(t−k/2) + A(t−k/2+1)) / 2.
 *
 * @param values one entry a period, null = missing
 * @param order number of terms, a whole number from 1
 * @returns one entry a period, undefined in the first and last ⌊k/2⌋ and where the window holds a
 *   missing value
 * @see Macaulay, F. R. (1931), The Smoothing of Time Series, NBER, ch. 1
 * @example centredAverage([1, 3, 5, 7, 9], 4) // [null, null, 5, null, null]
 */
export function centredAverage(values: readonly Value[], order: number): Value[] {
  return centreAverages(offCentreAverages(values, order), order)
}

/**
 * The second step of a centred average: averages of an odd order move to their middle, those of an even
 * order are averaged two by two.
 *
 * @param averages before they are centred, see {@link offCentreAverages}
 */
export function centreAverages(averages: readonly Value[], order: number): Value[] {
  const half = Math.floor(order / 2)
  const centred = Array<Value>(averages.length).fill(null)
  for (let t = half; t < averages.length; t++) {
    const left = averages[t - half]!
    const right = order % 2 === 1 ? left : (averages[t - half + 1] ?? null)
    if (left !== null && right !== null) centred[t] = order % 2 === 1 ? left : (left + right) / 2
  }
  return centred
}
