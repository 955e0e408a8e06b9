import type { Value } from '../../series/series'
import { covarianceWithValue, stationaryCovariance } from './autocovariance'
import type { Expanded } from './polynomial'

/** What a filter has found of several lists at once, all with the same gains: the values, and columns of a regression. */
export interface Filtered {
  /** Of each list, the error of the one-step prediction at every period; undefined where nothing is predicted. */
  readonly errors: readonly Float64Array[]
  /** F_t: the variance of that error, for errors of the process of variance 1; 0 where nothing is predicted. */
  readonly variances: Float64Array
  /** Periods whose error counts. */
  readonly counts: Uint8Array
  /** Σ ln F_t + Σ ln F∞,t */
  readonly logDeterminant: number
}

/**
 * Filters differences without a gap: a stationary ARMA process, from its own covariance on.
 *
 * From such a start the covariance changes by one product of a column with itself from period to period, so that column is
 * carried on in place of the covariance; exactly, without an early switch to the steady state. With gain k, column y of weight M,
 * c = y₁ and transition T: F′ = F + Mc², k′ = k + McTy, y′ = Ty − (c/F)k, M′ = MF/F′.
 *
 * @param lists of the same length, the differences of the values first
 * @param hear is told the gain of every period, times the variance F of its error: copied, or gone with the next
 * @returns null where the process is not stationary
 * @see Morf, M., Sidhu, G. S. & Kailath, T. (1974), IEEE Transactions on Automatic Control 19, 315–323
 */
export function filterDifferences(
  lists: readonly Float64Array[],
  polynomials: Expanded,
  hear?: (t: number, gain: Float64Array, F: number) => void,
): Filtered | null {
  const { phi, theta } = polynomials
  const size = Math.max(phi.length, theta.length + 1)
  const withValue = covarianceWithValue(polynomials, size)
  if (!withValue) return null
  const n = lists[0]!.length
  const errors = lists.map(() => new Float64Array(n))
  const variances = new Float64Array(n)
  const states = lists.map(() => new Float64Array(size + 1))
  // As long as the state, so that no loop asks behind an end.
  const own = new Float64Array(size)
  own.set(phi)
  const gain = new Float64Array(size)
  const column = new Float64Array(size + 1)
  for (let i = 0; i < size; i++) {
    gain[i] = own[i]! * withValue[0]! + (withValue[i + 1] ?? 0)
    column[i] = gain[i]!
  }
  let F = withValue[0]!
  let M = -1 / F
  let logDeterminant = 0
  for (let t = 0; t < n; t++) {
    if (!(F > 0)) return null
    variances[t] = F
    hear?.(t, gain, F)
    logDeterminant += Math.log(F)
    for (let s = 0; s < lists.length; s++) {
      const state = states[s]!
      const first = state[0]!
      const error = lists[s]![t]! - first
      errors[s]![t] = error
      const share = error / F
      for (let i = 0; i < size; i++) state[i] = own[i]! * first + state[i + 1]! + gain[i]! * share
    }
    const c = column[0]!
    const back = c / F
    const on = M * c
    for (let i = 0; i < size; i++) {
      const carried = own[i]! * c + column[i + 1]!
      column[i] = carried - back * gain[i]!
      gain[i]! += on * carried
    }
    const next = F + on * c
    M *= F / next
    F = next
  }
  return { errors, variances, counts: new Uint8Array(n).fill(1), logDeterminant }
}

/** What is known after the last period: the state of each list, and what is not known of it. */
export interface Ended extends Filtered {
  readonly filter: LevelFilter
  readonly states: readonly Float64Array[]
  readonly covariance: Float64Array
  /** Of the values, the prediction at every period, gaps included; nothing is known of those before the first determined. */
  readonly predicted: Float64Array
  /** Entry of the first period from which on the start is determined. */
  readonly determined: number
}

/** A share of the unit matrix that is left of the start by rounding alone. */
const SPENT = 1e-8

/** How the values of a model come about, in the levels: the state of the ARMA process, then the values before. */
export interface LevelFilter {
  readonly size: number
  /** What the value is made of. */
  readonly at: readonly Weight[]
  /** What each entry of the state is made of, one period on. */
  readonly rows: readonly (readonly Weight[])[]
  readonly impact: Float64Array
}
interface Weight {
  readonly i: number
  readonly w: number
}

export function levelFilter({ phi, theta }: Expanded, delta: Float64Array): LevelFilter {
  const own = Math.max(phi.length, theta.length + 1)
  const size = own + delta.length
  const at: Weight[] = [{ i: 0, w: 1 }]
  delta.forEach((w, k) => {
    if (w !== 0) at.push({ i: own + k, w })
  })
  const rows: Weight[][] = []
  for (let i = 0; i < own; i++) {
    const row: Weight[] = []
    if ((phi[i] ?? 0) !== 0) row.push({ i: 0, w: phi[i]! })
    if (i + 1 < own) row.push({ i: i + 1, w: 1 })
    rows.push(row)
  }
  delta.forEach((_, k) => rows.push(k === 0 ? at : [{ i: own + k - 1, w: 1 }]))
  const impact = new Float64Array(size)
  for (let i = 0; i < own; i++) impact[i] = i === 0 ? 1 : (theta[i - 1] ?? 0)
  return { size, at, rows, impact }
}

/**
 * Filters levels, gaps among them, from an exactly diffuse start: of the d + mD values before the first period nothing is known.
 *
 * A value whose prediction hangs on the start is spent on it: F∞ is what of its variance does. There never is a large number for
 * the variance, in which the others would drown.
 *
 * @param lists the values first; the others have their own figures where that has a gap, too
 * @returns null where the process is not stationary, and where so few values came, so placed, that the start stays undetermined
 * @see Durbin, J. & Koopman, S. J. (2012), Time Series Analysis by State Space Methods, 2nd ed., sec. 5.2
 */
export function filterLevels(
  lists: readonly (readonly Value[] | Float64Array)[],
  polynomials: Expanded,
  delta: Float64Array,
): Ended | null {
  const filter = levelFilter(polynomials, delta)
  const { size } = filter
  const own = size - delta.length
  const start = stationaryCovariance(polynomials, own)
  if (!start) return null
  const values = lists[0]!
  const n = values.length
  let P: Float64Array = new Float64Array(size * size)
  for (let i = 0; i < own; i++) {
    for (let j = 0; j < own; j++) P[i * size + j] = start[i * own + j]!
  }
  let diffuse: Float64Array | null = delta.length > 0 ? new Float64Array(size * size) : null
  for (let i = own; i < size; i++) diffuse![i * size + i] = 1
  let states: Float64Array[] = lists.map(() => new Float64Array(size))
  const errors = lists.map(() => new Float64Array(n))
  const variances = new Float64Array(n)
  const counts = new Uint8Array(n)
  const predicted = new Float64Array(n)
  let determined = 0
  let logDeterminant = 0
  for (let t = 0; t < n; t++) {
    predicted[t] = sumOf(filter.at, states[0]!)
    if (values[t] !== null) {
      const p = seen(filter, P)
      const F = sumOf(filter.at, p)
      const pd = diffuse && seen(filter, diffuse)
      const Fd = pd ? sumOf(filter.at, pd) : 0
      const errorsNow = lists.map((list, s) => list[t]! - sumOf(filter.at, states[s]!))
      if (pd && Fd > SPENT) {
        logDeterminant += Math.log(Fd)
        states.forEach((state, s) => {
          for (let i = 0; i < size; i++) state[i]! += (pd[i]! / Fd) * errorsNow[s]!
        })
        for (let i = 0; i < size; i++) {
          for (let j = 0; j < size; j++) {
            P[i * size + j]! +=
              (pd[i]! * pd[j]! * F) / (Fd * Fd) - (p[i]! * pd[j]! + pd[i]! * p[j]!) / Fd
            diffuse![i * size + j]! -= (pd[i]! * pd[j]!) / Fd
          }
        }
      } else {
        if (!(F > 0)) return null
        logDeterminant += Math.log(F)
        variances[t] = F
        counts[t] = 1
        states.forEach((state, s) => {
          errors[s]![t] = errorsNow[s]!
          for (let i = 0; i < size; i++) state[i]! += (p[i]! / F) * errorsNow[s]!
        })
        for (let i = 0; i < size; i++) {
          for (let j = 0; j < size; j++) P[i * size + j]! -= (p[i]! * p[j]!) / F
        }
      }
    }
    states = states.map((state) => moved(filter, state))
    P = carried(filter, P, true)
    if (diffuse) {
      diffuse = carried(filter, diffuse, false)
      if (diffuse.every((one) => Math.abs(one) < SPENT)) diffuse = null
      determined = t + 1
    }
  }
  if (diffuse) return null
  return {
    ...{ errors, variances, counts, logDeterminant, filter, states },
    ...{ covariance: P, predicted, determined },
  }
}

/** P·z: what each entry of the state has to do with the value. */
function seen({ size, at }: LevelFilter, P: Float64Array): Float64Array {
  const p = new Float64Array(size)
  for (let i = 0; i < size; i++) {
    let sum = 0
    for (const one of at) sum += one.w * P[i * size + one.i]!
    p[i] = sum
  }
  return p
}

export function sumOf(weights: readonly Weight[], state: Float64Array): number {
  let sum = 0
  for (const one of weights) sum += one.w * state[one.i]!
  return sum
}

/** The state one period on. */
export function moved({ size, rows }: LevelFilter, state: Float64Array): Float64Array {
  const next = new Float64Array(size)
  for (let i = 0; i < size; i++) next[i] = sumOf(rows[i]!, state)
  return next
}

/** TPTᵀ, with the variance of a fresh error where it is that of the state. */
export function carried(
  { size, rows, impact }: LevelFilter,
  P: Float64Array,
  isState: boolean,
): Float64Array {
  const half = new Float64Array(size * size)
  for (let i = 0; i < size; i++) {
    for (const { i: k, w } of rows[i]!) {
      for (let j = 0; j < size; j++) half[i * size + j]! += w * P[k * size + j]!
    }
  }
  const next = new Float64Array(size * size)
  for (let i = 0; i < size; i++) {
    for (let j = i; j < size; j++) {
      let sum = isState ? impact[i]! * impact[j]! : 0
      for (const { i: k, w } of rows[j]!) sum += w * half[i * size + k]!
      next[i * size + j] = sum
      next[j * size + i] = sum
    }
  }
  return next
}
