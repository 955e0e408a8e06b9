/** Bandwidth in medians of the absolute remainder. */
const MEDIANS = 6
/** Shares of the bandwidth beyond which a value is not believed, and within which it is fully. */
const OUTER = 0.999
const INNER = 0.001
/** A fit this close, as a share of the largest value, is exact, and nothing is to be distrusted. */
const EXACT = 1e-9

/**
 * Robustness weights from the remainder: bisquare of |r| ÷ h with h six times the median of |r|.
 *
 * @param size |r| of the observed periods in its first `count` entries; its order is lost
 * @param remainder r of every period
 * @param isPresent 1 for an observed period, 0 for a missing one
 * @param largest the largest |y|
 * @param to receives the weights; 0 for a missing period
 * @returns h; null when the fit is exact, and no weights were formed
 * @see Cleveland et al. (1990), Journal of Official Statistics 6, 3–73, sec. 2.3
 */
export function bisquareWeights(
  size: number[],
  count: number,
  remainder: number[],
  isPresent: Uint8Array,
  largest: number,
  to: number[],
): number | null {
  const h = MEDIANS * medianOf(size, count)
  if (h <= EXACT * largest) return null
  for (let i = 0; i < remainder.length; i++) {
    const distance = Math.abs(remainder[i]!)
    if (isPresent[i] === 0 || distance > OUTER * h) to[i] = 0
    else if (distance <= INNER * h) to[i] = 1
    else {
      const share = distance / h
      const rest = 1 - share * share
      to[i] = rest * rest
    }
  }
  return h
}

/** The median of the first entries, found by partition: sorting would take longer than a whole pass. */
function medianOf(values: number[], count: number): number {
  const half = count >> 1
  const upper = select(values, count, half)
  if (count % 2 === 1) return upper
  let lower = values[0]!
  for (let i = 1; i < half; i++) if (values[i]! > lower) lower = values[i]!
  return (lower + upper) / 2
}

/** Brings the k-th smallest entry (from 0) to its place, smaller ones before it (Hoare 1961). */
function select(values: number[], count: number, k: number): number {
  let left = 0
  let right = count - 1
  while (left < right) {
    const pivot = values[(left + right) >> 1]!
    let i = left
    let j = right
    while (i <= j) {
      while (values[i]! < pivot) i++
      while (values[j]! > pivot) j--
      if (i > j) break
      const swap = values[i]!
      values[i++] = values[j]!
      values[j--] = swap
    }
    if (k <= j) right = j
    else if (k >= i) left = i
    else break
  }
  return values[k]!
}
