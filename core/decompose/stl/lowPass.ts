import { doubles } from './doubles'
import { fixedFilters, spacedLoess, type SpacedLoess } from './spacedLoess'

/** What a seasonal smooth holds of the level, prepared for one length. */
export interface LowPass {
  /**
   * @param c the seasonal smooth over n + 2m periods
   * @param to receives its level over the n periods in the middle
   */
  apply(c: number[], to: number[]): void
}

/**
 * The low-pass filter of the decomposition: moving averages of m, m and 3 terms, then loess without any
 * weights but its own. All of it is linear and fixed, so it is worked out once as factors.
 *
 * @param n periods
 * @param seasons m
 * @param window n_l, odd
 * @param degree of the loess
 * @see Cleveland et al. (1990), Journal of Official Statistics 6, 3–73, sec. 2.2, step 3
 */
export function lowPass(n: number, seasons: number, window: number, degree: 0 | 1): LowPass {
  const geometry = spacedLoess(n, window, degree, false)
  const factors = fixedFilters(geometry)
  const sums = doubles(n + 2 * seasons)
  const block = doubles(n + 2 * seasons)
  const averaged = doubles(n)
  const share = 1 / (3 * seasons * seasons)
  return {
    apply(c, to) {
      windowSums(c, n + seasons + 1, seasons, block, sums)
      windowSums(sums, n + 2, seasons, block, sums)
      for (let i = 0; i < n; i++) averaged[i] = share * (sums[i]! + sums[i + 1]! + sums[i + 2]!)
      filter(averaged, geometry, factors, to)
    },
  }
}

/**
 * Sums of every window of a list, each put together from sums of 1, 2, 4 … neighbours: few additions, and no
 * value outside a window leaves its trace, as it would in a running sum.
 *
 * @param from the list
 * @param count windows, the first at the head of the list
 * @param order values in a window
 * @param block written over
 * @param to receives `count` sums; it may be `from`
 */
function windowSums(
  from: number[],
  count: number,
  order: number,
  block: number[],
  to: number[],
): void {
  const length = count + order - 1
  for (let i = 0; i < length; i++) block[i] = from[i]!
  let summed = 0
  for (let size = 1; size <= order; size *= 2) {
    if ((order & size) !== 0) {
      if (summed === 0) for (let i = 0; i < count; i++) to[i] = block[i]!
      else for (let i = 0, k = summed; i < count; i++, k++) to[i]! += block[k]!
      summed += size
    }
    for (let i = 0, k = size; k < length; i++, k++) block[i]! += block[k]!
  }
}

/**
 * Fixed filters, folded where the window lies in the middle and its factors are symmetric. There one distance
 * after the other is added to all places: long plain loops, which run several times as fast as short ones.
 */
function filter(from: number[], geometry: SpacedLoess, factors: number[], to: number[]) {
  const { n, size, shift, middleFrom, middleTo } = geometry
  const until = Math.max(middleFrom, Math.min(middleTo, n))
  filterEnd(from, geometry, factors, to, 0, Math.min(middleFrom, n))
  filterEnd(from, geometry, factors, to, until, n)
  if (until === middleFrom) return
  const half = size >> 1
  const centre = shift[middleFrom]! + half
  const own = factors[centre]!
  for (let i = middleFrom; i < until; i++) to[i] = own * from[i]!
  for (let d = 1; d <= half; d++) {
    const factor = factors[centre + d]!
    for (let i = middleFrom, left = i - d, right = i + d; i < until; i++, left++, right++) {
      to[i]! += factor * (from[left]! + from[right]!)
    }
  }
}

function filterEnd(
  from: number[],
  { first, size, shift }: SpacedLoess,
  factors: number[],
  to: number[],
  start: number,
  end: number,
): void {
  for (let i = start; i < end; i++) {
    let sum = 0
    for (let k = shift[i]!, at = first[i]!; k < shift[i]! + size; k++, at++) {
      sum += factors[k]! * from[at]!
    }
    to[i] = sum
  }
}
