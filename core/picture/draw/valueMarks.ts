/** A vertical scale: its ends, and the figures that are written beside it. */
export interface ValueMarks {
  readonly low: number
  readonly high: number
  readonly at: readonly number[]
}

/** Distances between marks that are easily read, times any power of ten. */
const EASY = [1, 2, 2.5, 5, 10] as const

/**
 * The scale of a range, from mark to mark.
 *
 * @param most marks that there is room for
 * @param fixed whether its ends stay as they are, whatever the marks
 * @example valueMarks({ low: 3, high: 18 }, 5) // { low: 0, high: 20, at: [0, 5, 10, 15, 20] }
 */
export function valueMarks(
  { low, high }: { readonly low: number; readonly high: number },
  most: number,
  fixed = false,
): ValueMarks {
  // A range of nothing still has a scale around it.
  const span = high > low ? high - low : Math.abs(high) || 1
  const least = span / Math.max(1, most - 1)
  const power = 10 ** Math.floor(Math.log10(least))
  const apart = EASY.map((easy) => easy * power).find((one) => one >= least * (1 - 1e-9))!
  const [first, last] = fixed
    ? [Math.ceil(low / apart - 1e-9), Math.floor(high / apart + 1e-9)]
    : [Math.floor(low / apart + 1e-9), Math.ceil(high / apart - 1e-9)]
  // Between ends that stay there may be one mark, or none; a scale of its own has two at the least.
  const end = fixed || last > first ? last : first + 1
  return {
    low: fixed ? low : first * apart,
    high: fixed ? high : end * apart,
    at: Array.from({ length: Math.max(0, end - first + 1) }, (_, i) => (first + i) * apart + 0),
  }
}

/** Decimals of a distance between marks: 0 of 5, 1 of 0.5, 2 of 0.25. */
export function decimalsApart(apart: number): number {
  if (!(apart > 0)) return 0
  const least = Math.max(0, Math.floor(-Math.log10(apart) + 1e-9))
  const isWhole = (decimals: number) =>
    Math.abs(apart * 10 ** decimals - Math.round(apart * 10 ** decimals)) < 1e-6
  return [0, 1, 2].map((more) => least + more).find(isWhole) ?? least + 1
}
