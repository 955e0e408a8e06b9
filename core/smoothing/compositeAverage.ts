import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { offCentreAverages } from './movingAverage'

/**
 * Composite average p×q: a p-term average of a q-term average, centred.
 *
 * @param values one a period, null = missing
 * @param p terms of the second average
 * @param q terms of the first; both odd or both even, else the result falls between two periods
 * @throws Refusal for an odd and an even number of terms
 * @example compositeAverage([1, 2, 6, 8, 8], 3, 3) // [null, null, 4.889, null, null]
 */
export function compositeAverage(values: readonly Value[], p: number, q: number): Value[] {
  requireCentred(p, q)
  const twice = offCentreAverages(offCentreAverages(values, q), p)
  const half = (p + q) / 2 - 1
  return values.map((_, t) => twice[t - half] ?? null)
}

/** The weights of a composite average, over its p + q − 1 terms. */
export function compositeWeights(p: number, q: number): number[] {
  requireCentred(p, q)
  return Array.from({ length: p + q - 1 }, (_, j) => {
    const overlap = Math.min(j + 1, p, q, p + q - 1 - j)
    return overlap / (p * q)
  })
}

function requireCentred(p: number, q: number): void {
  if (p % 2 === q % 2) return
  throw new Refusal(
    `A ${p}×${q} average falls between two periods: p and q must both be odd or both be even.`,
    'q',
  )
}
