import { fixedFilters, spacedLoess, type SpacedLoess } from './spacedLoess'

/** What a seasonal smooth holds of the level, prepared for one length. */
export interface LowPass {
  /**
   * @param c the seasonal smooth over n + 2m periods
   * @param to receives its level over the n periods in the middle
   */
  apply(c: Float64Array, to: Float64Array): void
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
  const kernel = averagesOf(seasons)
  const geometry = spacedLoess(n, window, degree, false)
  const factors = fixedFilters(geometry)
  const averaged = new Float64Array(n)
  return {
    apply(c, to) {
      average(c, kernel, averaged)
      filter(averaged, geometry, factors, to)
    },
  }
}

/** A symmetric average, folded: its factors from the middle outwards. */
function average(c: Float64Array, kernel: Float64Array, to: Float64Array): void {
  const reach = kernel.length - 1
  const n = to.length
  for (let i = 0; i < n; i++) {
    let sum = kernel[0]! * c[i + reach]!
    for (let k = 1, left = i + reach - 1, right = i + reach + 1; k <= reach; k++, left--, right++) {
      sum += kernel[k]! * (c[left]! + c[right]!)
    }
    to[i] = sum
  }
}

/** Fixed filters, folded where the window lies in the middle and its factors are symmetric. */
function filter(
  from: Float64Array,
  { n, first, size, shift, middleFrom, middleTo }: SpacedLoess,
  factors: Float64Array,
  to: Float64Array,
): void {
  const half = size >> 1
  for (let i = 0; i < n; i++) {
    const start = shift[i]!
    const at = first[i]!
    let sum = 0
    if (i >= middleFrom && i < middleTo) {
      const centre = start + half
      sum = factors[centre]! * from[i]!
      for (let k = 1; k <= half; k++) sum += factors[centre + k]! * (from[i - k]! + from[i + k]!)
    } else {
      for (let k = 0; k < size; k++) sum += factors[start + k]! * from[at + k]!
    }
    to[i] = sum
  }
}

/** Weights of the averages of m, m and 3 terms one after the other, from the middle outwards. */
function averagesOf(seasons: number): Float64Array {
  let weights = [1]
  for (const order of [seasons, seasons, 3]) {
    const next = Array<number>(weights.length + order - 1).fill(0)
    weights.forEach((weight, i) => {
      for (let k = 0; k < order; k++) next[i + k]! += weight / order
    })
    weights = next
  }
  return new Float64Array(weights.slice(seasons))
}
