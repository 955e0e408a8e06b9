import type { Value } from '../../series/series'

/**
 * Smooths a list that goes round, as the days of a year do: each entry the weighted mean of those within a width, weights
 * (1 − (d ÷ (width + 1))²)². An entry that is undefined has no weight, and is filled by its neighbours.
 *
 * @param values one a position of the cycle
 * @param width entries to either side; 0 leaves the list as it is
 * @example circular([4, 0, 0, 0], 1) // [2.56, 0.9, 0, 0.9] of weights 1 and 0.5625
 */
export function circular(values: readonly Value[], width: number): Value[] {
  const n = values.length
  const weights = weightsOf(width)
  return values.map((_, k) => {
    let [sum, total] = [0, 0]
    weights.forEach((weight, at) => {
      const value = values[(k + at - width + n) % n]!
      if (value === null) return
      sum += weight * value
      total += weight
    })
    return total > 0 ? sum / total : null
  })
}

/** What the smoother takes: as many averages as it is worth, and the variance of one of its values in that of an entry. */
export function circularCost(length: number, width: number): { trace: number; share: number } {
  const weights = weightsOf(width)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const squares = weights.reduce((sum, weight) => sum + weight * weight, 0)
  return { trace: (length * weights[width]!) / total, share: squares / (total * total) }
}

function weightsOf(width: number): number[] {
  return Array.from({ length: 2 * width + 1 }, (_, at) => {
    const share = (at - width) / (width + 1)
    return (1 - share * share) ** 2
  })
}
