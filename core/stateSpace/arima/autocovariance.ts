import { toPartial } from './partial'
import type { Expanded } from './polynomial'

/** What the values and errors up to a period have to do with each other, errors having variance 1. */
interface Together {
  /** φ and 1, θ, as long as the state. */
  readonly f: Float64Array
  readonly error: Float64Array
  /** Of the value with each entry of the state. */
  readonly withValue: Float64Array
}

/**
 * The covariance of the value of a stationary ARMA process with the state that a filter starts from, errors having variance 1.
 *
 * The state's first entry is the value itself; entry j is what the values and errors up to now will add to the value j − 1
 * periods on: Σ_{k≥j} φ_k y_{t−1−(k−j)} + θ_{k−1} a_{t−(k−j)}.
 *
 * @param size r = max(p, q + 1) of the whole polynomials
 * @returns null where the process is not stationary
 * @see Harvey, A. C. (1989), Forecasting, Structural Time Series Models and the Kalman Filter, sec. 3.3
 */
export function covarianceWithValue(polynomials: Expanded, size: number): Float64Array | null {
  return together(polynomials, size)?.withValue ?? null
}

function together({ phi, theta }: Expanded, size: number): Together | null {
  const gamma = autocovariances({ phi, theta }, size)
  if (!gamma) return null
  const psi = psiWeights({ phi, theta }, size)
  const f = new Float64Array(size)
  f.set(phi)
  const error = new Float64Array(size)
  error[0] = 1
  error.set(theta, 1)
  const withValue = new Float64Array(size)
  withValue[0] = gamma[0]!
  for (let j = 1; j < size; j++) {
    let sum = 0
    for (let k = j; k < size; k++) sum += f[k]! * gamma[k - j + 1]! + error[k]! * psi[k - j]!
    withValue[j] = sum
  }
  return { f, error, withValue }
}

/**
 * The covariance of the whole state: its first row, and each other from the one below by what the transition leaves as it is;
 * sums alone, so that nothing is lost near the unit circle.
 *
 * @returns r × r, row by row; null where the process is not stationary
 */
export function stationaryCovariance(polynomials: Expanded, size: number): Float64Array | null {
  const all = together(polynomials, size)
  if (!all) return null
  const { f, error, withValue } = all
  const P = new Float64Array(size * size)
  for (let j = 0; j < size; j++) {
    P[j] = withValue[j]!
    P[j * size] = withValue[j]!
  }
  const first = (j: number) => (j < size ? withValue[j]! : 0)
  for (let i = size - 1; i >= 1; i--) {
    for (let j = size - 1; j >= i; j--) {
      const below = i + 1 < size && j + 1 < size ? P[(i + 1) * size + j + 1]! : 0
      const own =
        f[i]! * f[j]! * withValue[0]! +
        f[i]! * first(j + 1) +
        f[j]! * first(i + 1) +
        below +
        error[i]! * error[j]!
      P[i * size + j] = own
      P[j * size + i] = own
    }
  }
  return P
}

/** ψ_0 = 1, ψ_1, …: what an error adds to the values from its own on. @param count of them */
export function psiWeights({ phi, theta }: Expanded, count: number): Float64Array {
  const psi = new Float64Array(count)
  for (let k = 0; k < count; k++) {
    let sum = k === 0 ? 1 : (theta[k - 1] ?? 0)
    for (let j = 0; j < Math.min(k, phi.length); j++) sum += phi[j]! * psi[k - 1 - j]!
    psi[k] = sum
  }
  return psi
}

/** Autocovariances of lags 0 to `most`; null where the process is not stationary. */
export function autocovariances({ phi, theta }: Expanded, most: number): Float64Array | null {
  const q = theta.length
  const own = autoregressive(phi, most + q)
  if (!own) return null
  if (q === 0) return own
  // Of θ(B)u, u the autoregressive process: Σᵢ Σⱼ θᵢθⱼ γ_u(k + i − j), gathered by i − j.
  const products = new Float64Array(q + 1)
  const whole = new Float64Array(q + 1)
  whole[0] = 1
  whole.set(theta, 1)
  for (let i = 0; i <= q; i++) {
    if (whole[i] === 0) continue
    for (let lag = 0; lag <= i; lag++) products[lag]! += whole[i]! * whole[i - lag]!
  }
  const gamma = new Float64Array(most + 1)
  for (let k = 0; k <= most; k++) {
    let sum = products[0]! * own[k]!
    for (let lag = 1; lag <= q; lag++) {
      const product = products[lag]!
      // Of a season's polynomial most are 0.
      if (product !== 0) sum += product * (own[k + lag]! + own[Math.abs(k - lag)]!)
    }
    gamma[k] = sum
  }
  return gamma
}

/** Autocovariances of an autoregressive process, from its partial autocorrelations on. */
function autoregressive(phi: Float64Array, most: number): Float64Array | null {
  const gamma = new Float64Array(most + 1)
  if (phi.length === 0) {
    gamma[0] = 1
    return gamma
  }
  // As a factor 1 + yB + …: y = −φ.
  const r = toPartial(phi.map((own) => -own))
  if (!r) return null
  let variance = 1
  for (const own of r) variance /= 1 - own * own
  gamma[0] = variance
  // Levinson's recursion: each partial autocorrelation gives the next autocovariance.
  const ahead = new Float64Array(r.length)
  let left = variance
  for (let k = 1; k <= most; k++) {
    let sum = 0
    if (k <= r.length) {
      const own = -r[k - 1]!
      for (let j = 0; j < k - 1; j++) sum += ahead[j]! * gamma[k - 1 - j]!
      gamma[k] = own * left + sum
      for (let i = 0, j = k - 2; i <= j; i++, j--) {
        const [first, last] = [ahead[i]!, ahead[j]!]
        ahead[i] = first - own * last
        ahead[j] = last - own * first
      }
      ahead[k - 1] = own
      left *= 1 - own * own
    } else {
      for (let j = 0; j < phi.length; j++) sum += phi[j]! * gamma[k - 1 - j]!
      gamma[k] = sum
    }
  }
  return gamma
}
