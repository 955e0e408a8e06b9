import type { Value } from '../series/series'

/** Degree of the local polynomial: a constant, a line or a parabola. */
export type LoessDegree = 0 | 1 | 2

/** Points that a local regression is fitted to. */
export interface LoessPoints {
  /** Ascending. */
  readonly x: readonly number[]
  readonly y: readonly number[]
  /** Prior weights, not negative; all 1 when left out. */
  readonly weights?: readonly number[]
}

/** One local fit, with what it was made from. */
export interface LocalFit {
  /** The fitted value, in units of y; undefined when every weight is 0. */
  readonly value: Value
  /** Rise of the local polynomial there, in units of y per unit of x; 0 for a constant. */
  readonly slope: number
  /** h, the distance at which weights end, in units of x. */
  readonly bandwidth: number
  /** The weight of each point. */
  readonly weights: readonly number[]
}

/** Share of the bandwidth beyond which a point takes no part, and within which it counts fully. */
const OUTER = 0.999
const INNER = 0.001
/** Share of the range of x below which points are too close together for a slope. */
const NO_SPREAD = 0.001

/**
 * Local regression at one place: a weighted polynomial through the q nearest points.
 *
 * The bandwidth is the distance of the q-th nearest point; with more neighbours than points it is the
 * largest distance and (q − n) ÷ 2 further steps of the mean spacing. Weights are tricube times the prior
 * weight. A line needs points that spread, a parabola three distinct ones; else the degree is lowered.
 *
 * @param points x ascending, y, prior weights
 * @param at where to fit, in units of x; it need not be one of the points
 * @param q neighbourhood, in points
 * @param degree of the local polynomial
 * @see Cleveland, W. S. (1979), Journal of the American Statistical Association 74, 829–836
 * @see Cleveland, W. S. & Devlin, S. J. (1988), Journal of the American Statistical Association 83, 596–610
 * @example loess({ x: [1, 2, 3, 4, 5], y: [1, 3, 5, 7, 9] }, 2.5, 3, 1).value // 4
 */
export function loess(points: LoessPoints, at: number, q: number, degree: LoessDegree): LocalFit {
  const { x, y } = points
  const bandwidth = bandwidthAt(x, at, q)
  const weights = x.map((value, i) => {
    const distance = Math.abs(value - at)
    if (distance > OUTER * bandwidth) return 0
    const prior = points.weights?.[i] ?? 1
    return distance <= INNER * bandwidth ? prior : prior * (1 - (distance / bandwidth) ** 3) ** 3
  })
  return { ...fitAt(x, y, weights, at, degree), bandwidth, weights }
}

/** Distance of the q-th nearest point, or beyond the farthest when there are not so many. */
function bandwidthAt(x: readonly number[], at: number, q: number): number {
  const distances = x.map((value) => Math.abs(value - at)).sort((a, b) => a - b)
  if (q <= x.length) return distances[q - 1]!
  const spacing = x.length > 1 ? (x.at(-1)! - x[0]!) / (x.length - 1) : 0
  return distances.at(-1)! + Math.floor((q - x.length) / 2) * spacing
}

/**
 * Weighted least squares of a polynomial, evaluated at one place: the columns 1, x, x² are made
 * orthogonal one after the other, which is a QR decomposition of three columns.
 */
function fitAt(
  x: readonly number[],
  y: readonly number[],
  weights: readonly number[],
  at: number,
  degree: LoessDegree,
): Pick<LocalFit, 'value' | 'slope'> {
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  if (!(total > 0)) return { value: null, slope: 0 }
  const meanOf = (values: readonly number[]) =>
    values.reduce((sum, value, i) => sum + weights[i]! * value, 0) / total
  const level = meanOf(y)
  const centre = meanOf(x)
  const line = x.map((value) => value - centre)
  const spread = meanOf(line.map((value) => value * value))
  const range = x.at(-1)! - x[0]!
  if (degree === 0 || Math.sqrt(spread) <= NO_SPREAD * range) {
    return { value: level, slope: 0 }
  }
  const slope = meanOf(line.map((value, i) => value * y[i]!)) / spread
  const straight = level + slope * (at - centre)
  const distinct = new Set(x.filter((_, i) => weights[i]! > 0)).size
  if (degree === 1 || distinct < 3) return { value: straight, slope }
  // x² without what a constant and a line already say.
  const skew = meanOf(line.map((value) => value ** 3)) / spread
  const bend = (distance: number) => distance * distance - spread - skew * distance
  const bent = line.map(bend)
  const curvature =
    meanOf(bent.map((value, i) => value * y[i]!)) / meanOf(bent.map((value) => value * value))
  const place = at - centre
  return {
    value: straight + curvature * bend(place),
    slope: slope + curvature * (2 * place - skew),
  }
}
