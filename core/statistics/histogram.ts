/** Values counted in bins of equal width. */
export interface Histogram {
  readonly from: number
  readonly width: number
  readonly counts: readonly number[]
}

const FEWEST_BINS = 5
const MOST_BINS = 21

/**
 * Values counted in about √n bins of equal width around 0, so that what lies above and below it is not mixed.
 *
 * @returns null for values that do not vary
 * @example histogram([−2, −1, 1, 2], 4) // from −2, width 1, counts 1, 1, 0, 2
 */
export function histogram(
  values: readonly number[],
  bins = Math.round(Math.sqrt(values.length)),
): Histogram | null {
  const furthest = values.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
  if (!(furthest > 0)) return null
  const half = Math.ceil(Math.min(MOST_BINS, Math.max(FEWEST_BINS - 1, bins)) / 2)
  const width = furthest / half
  const counts = Array<number>(2 * half).fill(0)
  for (const value of values) {
    // The furthest value belongs to the last bin, not to one beyond it.
    const bin = Math.min(2 * half - 1, Math.max(0, Math.floor((value + furthest) / width)))
    counts[bin]! += 1
  }
  return { from: -furthest, width, counts }
}
