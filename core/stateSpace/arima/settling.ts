import { filterDifferences } from './filter'
import type { Expanded } from './polynomial'

/**
 * By how much a surprise counts for more, or less, in the predictions after it than in the long run: as long as the start of the
 * process is not settled, the filter learns more from it. Of the values it knows nothing: it is the same for any.
 *
 * A prediction is made of the values before it by φ and of the surprises before it by θ; with the filter's gain k_t over the
 * variance F_t of its error, the surprise of t counts k_t/F_t − φ_j in the prediction j periods on, which comes to θ_j.
 *
 * @param count periods of the process, differences taken
 * @returns of every period, what is to be added to θ₁, θ₂ …; null where the process is not stationary
 * @see Brockwell, P. J. & Davis, R. A. (1991), Time Series: Theory and Methods, 2nd ed., sec. 5.3, the innovations algorithm
 * @example of a moving average of one surprise with weight θ, its variance F: θ/F − θ
 */
export function unsettledWeights(polynomials: Expanded, count: number): Float64Array[] | null {
  const { phi, theta } = polynomials
  const all: Float64Array[] = []
  const filtered = filterDifferences([new Float64Array(count)], polynomials, (_, gain, F) => {
    all.push(gain.map((own, i) => own / F - (phi[i] ?? 0) - (theta[i] ?? 0)))
  })
  return filtered && all
}
