import { fixedFilters, spacedLoess } from './spacedLoess'

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
  const middle = seasons
  const geometry = spacedLoess(n, window, degree, false)
  const { first, size, table } = geometry
  const factors = fixedFilters(geometry)
  const averaged = new Float64Array(n)
  return {
    apply(c, to) {
      for (let i = 0; i < n; i++) {
        // The kernel is symmetric: one factor for two periods.
        let sum = kernel[middle]! * c[i + middle]!
        for (let k = 0; k < middle; k++) {
          sum += kernel[k]! * (c[i + k]! + c[i + 2 * middle - k]!)
        }
        averaged[i] = sum
      }
      for (let i = 0; i < n; i++) {
        const from = first[i]!
        const shift = table[i]!
        const count = size[i]!
        let sum = 0
        for (let k = 0; k < count; k++) sum += factors[shift + k]! * averaged[from + k]!
        to[i] = sum
      }
    },
  }
}

/** Weights of the averages of m, m and 3 terms one after the other: 2m + 1 of them. */
function averagesOf(seasons: number): Float64Array {
  let weights = [1]
  for (const order of [seasons, seasons, 3]) {
    const next = Array<number>(weights.length + order - 1).fill(0)
    weights.forEach((weight, i) => {
      for (let k = 0; k < order; k++) next[i + k]! += weight / order
    })
    weights = next
  }
  return Float64Array.from(weights)
}
