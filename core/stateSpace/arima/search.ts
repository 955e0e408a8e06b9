import { minimise, type Problem } from '../quasiNewton'
import { differencesOf, expanded } from './polynomial'
import { likelihoodOf, logLikelihoodOf, type Likelihood, type ReadyData } from './likelihood'
import { cutIntoFactors, lengthsOf, type ArmaCoefficients } from './order'
import { fromPartial, toPartial } from './partial'

/** Where the likelihood is highest. */
export interface ArimaMaximum {
  readonly coefficients: ArmaCoefficients
  readonly likelihood: Likelihood
}

/** How widely a maximum is looked for: from points all over, or from one that is known to lie near. */
export type Breadth =
  | {
      /** Points that are started from, beside conditional least squares. */
      readonly starts: number
      /** How many of them are followed to their ends. */
      readonly followed: number
    }
  | { readonly near: ArmaCoefficients }

/**
 * Of a model by hand: it is fitted once, and its maximum must not be missed. With more terms there are more lower maxima, and
 * a few steps tell less of where a start leads to.
 */
export function oneModel(terms: number): Breadth {
  return {
    starts: terms < 3 ? 8 : Math.min(8 * terms, 48),
    followed: terms < 3 ? 3 : Math.min(4 * terms, 20),
  }
}
/** Of one of a walk: what matters is where it goes on, and its end is fitted anew as a model by hand. */
export const ON_THE_WAY: Breadth = { starts: 8, followed: 3 }
/** Of one of all that are tried and told. */
export function oneOfMany(terms: number): Breadth {
  return {
    starts: terms < 3 ? 8 : Math.min(4 * terms, 24),
    followed: terms < 3 ? 3 : Math.min(2 * terms, 10),
  }
}

/** Partial autocorrelations of the starting points lie within this. */
const SPREAD = 0.9
/** Steps of the first round, which tells the starts that lead up. */
const FIRST_STEPS = 5
const MOST_STEPS = 100
/** ln L that three steps in a row must bring: of a start, to tell it from others, and of the best in the end. */
const ENOUGH = 1e-5
const ENOUGH_AT_LAST = 1e-10
/** An AR factor this close to the circle has a start of endless variance. */
const NEAR_CIRCLE = 1e-9
/** Of a central difference, in radians of the partial autocorrelation. */
const STEP = 1e-5
/** Of a difference to one side, which tells the way well enough until the last steps, in half as many passes. */
const STEP_ASIDE = 1e-6
/** Two maxima this near are one. */
const SAME = 1e-4

/**
 * The maximum of the exact likelihood over the ARMA coefficients, σ² concentrated and mean, drift and regression profiled out.
 *
 * Every factor is kept inside its region by partial autocorrelations r = sin x. Lower maxima are common, above all where AR and
 * MA roots nearly cancel: so it is started from conditional least squares and from points spread over the region, all for a
 * few steps, the best of them to the end.
 *
 * @returns null where no start is admissible, or nothing is left over to be likely
 */
export function maximum(own: ReadyData, breadth: Breadth): ArimaMaximum | null {
  const { order, seasons } = own.data
  const lengths = lengthsOf(order)
  const count = lengths.reduce((sum, length) => sum + length, 0)
  const at = (x: ArrayLike<number>) => coefficientsAt(x, own)
  if (count === 0) return found(own, at([]))
  const value = (x: Float64Array) =>
    isInside(x, lengths) ? -logLikelihoodOf(own, at(x)) : Infinity
  const rough = problemOf(count, value, 'aside')
  const conditional = minimise(
    problemOf(count, (x) => conditionalSum(own, at(x), seasons), 'aside'),
    new Float64Array(count),
    { most: MOST_STEPS, enough: ENOUGH },
  ).x
  const points = [
    conditional,
    ...('near' in breadth ? anglesOf(breadth.near) : spreadPoints(count, breadth.starts)),
  ]
  const followed = 'near' in breadth ? points.length : breadth.followed
  const tried = points
    .map((start) => minimise(rough, start, { most: FIRST_STEPS, enough: ENOUGH }))
    .filter(({ value }) => Number.isFinite(value))
    .sort((a, b) => a.value - b.value)
  const apart = tried.filter(
    (one, i) => !tried.slice(0, i).some((better) => isSame(at(one.x), at(better.x))),
  )
  const [best] = apart
    .slice(0, followed)
    .map(({ x }) => minimise(rough, x, { most: MOST_STEPS, enough: ENOUGH }))
    .sort((a, b) => a.value - b.value)
  if (!best) return null
  const last = minimise(problemOf(count, value, 'central'), best.x, {
    most: MOST_STEPS,
    enough: ENOUGH_AT_LAST,
  })
  return found(own, at(last.x))
}

function found(own: ReadyData, coefficients: ArmaCoefficients): ArimaMaximum | null {
  const likelihood = likelihoodOf(own, coefficients)
  return likelihood && likelihood.sumOfSquares > own.nothing ? { coefficients, likelihood } : null
}

/** A problem without bounds whose slopes are differences, to one side or to both. */
function problemOf(
  count: number,
  value: (x: Float64Array) => number,
  slopes: 'aside' | 'central',
): Problem {
  const all = (own: number) => new Float64Array(count).fill(own)
  // A search asks for the slopes of the point whose value it has just asked for.
  let here: { readonly x: Float64Array; readonly value: number } | null = null
  const valueAt = (x: Float64Array) => {
    const own = value(x)
    here = { x: Float64Array.from(x), value: own }
    return own
  }
  const known = (x: Float64Array) =>
    here?.x.every((own, i) => own === x[i]) ? here.value : value(x)
  const slopeAt = (x: Float64Array, i: number, own: number, middle: number) => {
    const beside = Float64Array.from(x)
    const step = slopes === 'central' ? STEP : STEP_ASIDE
    beside[i] = own + step
    const above = value(beside)
    if (slopes === 'aside') return (above - middle) / step
    beside[i] = own - step
    return (above - value(beside)) / (2 * step)
  }
  return {
    ...{ least: all(-Infinity), most: all(Infinity), scale: all(0.3), value: valueAt },
    slopes: (x, into) => {
      const middle = slopes === 'aside' ? known(x) : NaN
      x.forEach((own, i) => {
        const slope = slopeAt(x, i, own, middle)
        // Beside a point that is not admissible nothing is known of the slope.
        into[i] = Number.isFinite(slope) ? slope : 0
      })
    },
  }
}

/** Coefficients from the angles of their partial autocorrelations, factor by factor. */
function coefficientsAt(x: ArrayLike<number>, { data }: ReadyData): ArmaCoefficients {
  const angles = cutIntoFactors(x, data.order)
  const factor = (own: readonly number[]) => fromPartial(own.map(Math.sin))
  const negative = (own: readonly number[]) => factor(own).map((one) => -one)
  return {
    ar: negative(angles.ar),
    ma: factor(angles.ma),
    sar: negative(angles.sar),
    sma: factor(angles.sma),
  }
}

/** The way back, where there is one: of coefficients on the circle or inside it there is none. */
function anglesOf({ ar, ma, sar, sma }: ArmaCoefficients): Float64Array[] {
  const negative = (own: readonly number[]) => own.map((one) => -one)
  const factors = [negative(ar), ma, negative(sar), sma].map(toPartial)
  if (factors.includes(null)) return []
  return [Float64Array.from(factors.flatMap((own) => [...own!].map(Math.asin)))]
}

/** Whether both AR factors are stationary. */
function isInside(x: ArrayLike<number>, [p, q, P]: readonly number[]): boolean {
  for (let i = 0; i < x.length; i++) {
    const isOfAr = i < p! || (i >= p! + q! && i < p! + q! + P!)
    if (isOfAr && 1 - Math.abs(Math.sin(x[i]!)) < NEAR_CIRCLE) return false
  }
  return true
}

/** Points evenly spread over the region, whatever its dimension: multiples of an irrational of each. */
function spreadPoints(count: number, starts: number): Float64Array[] {
  // The root of x^(k+1) = x + 1 leaves no two coordinates in step.
  let root = 2
  for (let i = 0; i < 30; i++) root = (1 + root) ** (1 / (count + 1))
  return Array.from({ length: starts }, (_, i) =>
    Float64Array.from({ length: count }, (_, j) => {
      const share = (0.5 + (i + 1) / root ** (j + 1)) % 1
      return Math.asin(SPREAD * (2 * share - 1))
    }),
  )
}

function isSame(one: ArmaCoefficients, other: ArmaCoefficients): boolean {
  const near = (a: readonly number[], b: readonly number[]) =>
    a.every((own, i) => Math.abs(own - b[i]!) < SAME)
  return (
    near(one.ar, other.ar) &&
    near(one.ma, other.ma) &&
    near(one.sar, other.sar) &&
    near(one.sma, other.sma)
  )
}

/**
 * ln of the sum of squared errors with errors of 0 before the first that all terms reach: it has no start to estimate, and
 * so leads near the maximum from anywhere. With a gap values and columns of its differences are left out.
 */
function conditionalSum(
  { data, differences, delta }: ReadyData,
  coefficients: ArmaCoefficients,
  seasons: number,
): number {
  const { phi, theta } = expanded(coefficients, seasons)
  const all = () => data.values.map((value) => value ?? NaN)
  const w = centred(differences ? differences[0]! : differencesOf(all(), delta))
  const errors = new Float64Array(w.length)
  let sum = 0
  let count = 0
  for (let t = phi.length; t < w.length; t++) {
    let error = w[t]!
    for (let k = 0; k < phi.length; k++) error -= phi[k]! * w[t - 1 - k]!
    for (let k = 0; k < Math.min(t, theta.length); k++) error -= theta[k]! * errors[t - 1 - k]!
    // A gap takes its error for 0, as the start does.
    if (!Number.isFinite(error)) continue
    errors[t] = error
    sum += error * error
    count++
  }
  return count > 0 ? (count / 2) * Math.log(Math.max(sum, Number.MIN_VALUE)) : Infinity
}

/** The differences less their mean, which stands in for mean and drift; those that a gap takes are left as they are. */
function centred(w: Float64Array): Float64Array {
  const there = w.filter(Number.isFinite)
  const centre = there.reduce((sum, own) => sum + own, 0) / there.length
  return w.map((own) => own - centre)
}
