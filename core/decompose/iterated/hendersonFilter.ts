import { henderson } from '../../smoothing/weightedAverage'
import { musgraveWeights } from './musgrave'

/** The ratio R of irregular to trend that the ends of each length are made for. */
const END_RATIO: Readonly<Record<number, number>> = { 5: 0.001, 7: 4.5, 9: 1, 13: 3.5, 23: 4.5 }

/** A trend filter with what takes its place where newer, or older, values are missing. */
export interface HendersonFilter {
  readonly length: number
  readonly symmetric: readonly number[]
  readonly endRatio: number
  /** By the number of later values that there are, oldest first; the beginning has them mirrored. */
  readonly ends: readonly (readonly number[])[]
}

const KNOWN = new Map<number, HendersonFilter>()

/** @param length 5, 7, 9, 13 or 23 */
export function hendersonFilter(length: number): HendersonFilter {
  const known = KNOWN.get(length)
  if (known) return known
  const symmetric = henderson(length)
  const endRatio = END_RATIO[length]!
  const half = (length - 1) / 2
  const ends = Array.from({ length: half }, (_, later) =>
    musgraveWeights(symmetric, half + 1 + later, endRatio),
  )
  const made = { length, symmetric, endRatio, ends }
  KNOWN.set(length, made)
  return made
}

/** The lengths that a series can have. */
export function hendersonLengths(seasons: number): readonly number[] {
  return seasons === 12 ? [9, 13, 23] : [5, 7]
}

/** The weights at an entry of so many, and where the first of them lies. */
export function trendWeightsAt(
  { symmetric, ends, length }: HendersonFilter,
  entry: number,
  count: number,
): { readonly from: number; readonly step: 1 | -1; readonly weights: readonly number[] } {
  const half = (length - 1) / 2
  if (entry < half) return { from: entry + half, step: -1, weights: ends[entry]! }
  const later = count - 1 - entry
  return { from: entry - half, step: 1, weights: later < half ? ends[later]! : symmetric }
}

/** A value of the filter at every entry. */
export function filtered(values: readonly number[], filter: HendersonFilter): number[] {
  return values.map((_value, entry) => {
    const { from, step, weights } = trendWeightsAt(filter, entry, values.length)
    return weighted(values, from, weights, step)
  })
}

/** Σ w_j x_{from + step·j}, in plain order. */
export function weighted(
  values: readonly number[],
  from: number,
  weights: readonly number[],
  step: 1 | -1,
): number {
  let sum = 0
  for (let j = 0; j < weights.length; j++) sum += weights[j]! * values[from + step * j]!
  return sum
}
