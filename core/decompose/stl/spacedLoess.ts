import { doubles } from './doubles'
/**
 * Local regression over equally spaced points, prepared for one length and window: what depends on the
 * places alone is worked out once, and each fit is one pass of sums.
 */
export interface SpacedLoess {
  /** Points, at places 1…n. */
  readonly n: number
  /** Places that are fitted: all n, and with `beyond` also 0 and n + 1. */
  readonly places: number
  /** First point of the window of each place, from 0. */
  readonly first: Int32Array
  /** Points in every window. */
  readonly size: number
  /** Where the weights of a place begin in the table. */
  readonly shift: Int32Array
  /** Tricube weights w of the windows. */
  readonly table: number[]
  /** For the window in the middle w, w·d and w·d², one after the other, by the distance d from 0. */
  readonly middle: number[]
  /** Places from here up to `middleTo`, from 0, have their window in the middle: the same for all. */
  readonly middleFrom: number
  readonly middleTo: number
  /** 1 when a place before the first point is fitted, else 0. */
  readonly beside: 0 | 1
  readonly degree: 0 | 1
  /** Smallest spread, squared, at which a slope is fitted. */
  readonly leastSpread: number
}

/** Shares as in {@link loess}. */
const OUTER = 0.999
const INNER = 0.001

/**
 * Prepares local regression over n equally spaced points; see `loess` for what it is.
 *
 * @param n points
 * @param q neighbourhood, in points
 * @param degree of the local polynomial
 * @param beyond whether the places one before the first and one after the last are fitted too
 */
export function spacedLoess(n: number, q: number, degree: 0 | 1, beyond: boolean): SpacedLoess {
  const places = beyond ? n + 2 : n
  const reach = Math.min(q, n)
  const first = new Int32Array(places)
  const shift = new Int32Array(places)
  const half = reach >> 1
  const beside = beyond ? 1 : 0
  // A window in the middle reaches as far to either side and holds q points.
  const middleFrom = q <= n ? half + beside : places
  const middleTo = q <= n ? n - half + beside : places
  const own = places - Math.max(0, middleTo - middleFrom - 1)
  const table = doubles(own * reach)
  let filled = 0
  for (let i = 0; i < places; i++) {
    const place = i + 1 - beside
    const start = Math.min(Math.max(place - half, 1), n - reach + 1)
    first[i] = start - 1
    if (i > middleFrom && i < middleTo) {
      shift[i] = shift[middleFrom]!
      continue
    }
    shift[i] = filled
    const end = start + reach - 1
    const farthest = Math.max(place - start, end - place)
    const h = q > n ? farthest + Math.floor((q - n) / 2) : farthest
    for (let at = start; at <= end; at++) table[filled++] = tricube(Math.abs(at - place), h)
  }
  const leastSpread = (0.001 * (n - 1)) ** 2
  const middle = doubles(3 * (half + 1))
  for (let d = 0; d <= half; d++) {
    const w = tricube(d, half)
    middle[3 * d] = w
    middle[3 * d + 1] = w * d
    middle[3 * d + 2] = w * d * d
  }
  return {
    n,
    places,
    first,
    size: reach,
    shift,
    table,
    middle,
    middleFrom,
    middleTo,
    beside,
    degree,
    leastSpread,
  }
}

function tricube(distance: number, h: number): number {
  if (distance > OUTER * h) return 0
  if (distance <= INNER * h) return 1
  const share = distance / h
  const rest = 1 - share * share * share
  return rest * rest * rest
}

/**
 * Points with prior weights, ready to be smoothed: ρ and ρ·y of each point beside one another. A sum that
 * needs both then reads one list, which the processor keeps up with twice as well as with two.
 */
export type WeightedPoints = number[]

/**
 * Smooths one run of points.
 *
 * @param geometry of n points
 * @param points ρ and ρ·y of the n points
 * @param to receives one value a place; NaN where every weight is 0, for the caller to replace
 * @returns whether every place had a weight
 */
export function smooth(geometry: SpacedLoess, points: WeightedPoints, to: number[]): boolean {
  const { places, middle, middleFrom, middleTo } = geometry
  const from = Math.min(middleFrom, places)
  const until = Math.max(from, Math.min(middleTo, places))
  // The middle is smoothed two places at a time; an odd one is left to the end.
  const even = until - ((until - from) % 2)
  const atStart = smoothPlaces(geometry, points, to, 0, from)
  const inMiddle = smoothMiddle(geometry, middle, points, to, from, even)
  const atEnd = smoothPlaces(geometry, points, to, even, places)
  return atStart && inMiddle && atEnd
}

/** Place by place: windows that are cut at an end have weights of their own. */
function smoothPlaces(
  { first, size, shift, table, beside, degree, leastSpread }: SpacedLoess,
  points: WeightedPoints,
  to: number[],
  from: number,
  until: number,
): boolean {
  let complete = true
  for (let i = from; i < until; i++) {
    const start = first[i]!
    const end = shift[i]! + size
    let d = start - i + beside
    let s0 = 0
    let s1 = 0
    let s2 = 0
    let t0 = 0
    let t1 = 0
    for (let k = shift[i]!, at = 2 * start; k < end; k++, at += 2) {
      const w = table[k]!
      const prior = w * points[at]!
      const value = w * points[at + 1]!
      const moment = prior * d
      s0 += prior
      s1 += moment
      s2 += moment * d
      t0 += value
      t1 += value * d
      d += 1
    }
    to[i] = fitOf(s0, s1, s2, t0, t1, degree, leastSpread)
    if (!(s0 > 0)) complete = false
  }
  return complete
}

/**
 * Windows in the middle, folded, two neighbouring places at a time: points as far to the left and right share
 * their weight, and what one place reads the other has read a step before.
 */
function smoothMiddle(
  { beside, degree, leastSpread }: SpacedLoess,
  middle: number[],
  points: WeightedPoints,
  to: number[],
  from: number,
  until: number,
): boolean {
  let complete = true
  for (let place = from; place < until; place += 2) {
    const at = 2 * (place - beside)
    let left = points[at]!
    let valueLeft = points[at + 1]!
    let right = points[at + 2]!
    let valueRight = points[at + 3]!
    let s0 = left
    let s1 = 0
    let s2 = 0
    let t0 = valueLeft
    let t1 = 0
    let u0 = right
    let u1 = 0
    let u2 = 0
    let v0 = valueRight
    let v1 = 0
    for (let k = 3, l = at - 2, r = at + 4; k < middle.length; k += 3, l -= 2, r += 2) {
      const w = middle[k]!
      const wd = middle[k + 1]!
      const wdd = middle[k + 2]!
      const nextLeft = points[l]!
      const nextValueLeft = points[l + 1]!
      const nextRight = points[r]!
      const nextValueRight = points[r + 1]!
      const prior = nextLeft + right
      s0 += w * prior
      s1 += wd * (right - nextLeft)
      s2 += wdd * prior
      t0 += w * (nextValueLeft + valueRight)
      t1 += wd * (valueRight - nextValueLeft)
      const other = left + nextRight
      u0 += w * other
      u1 += wd * (nextRight - left)
      u2 += wdd * other
      v0 += w * (valueLeft + nextValueRight)
      v1 += wd * (nextValueRight - valueLeft)
      left = nextLeft
      valueLeft = nextValueLeft
      right = nextRight
      valueRight = nextValueRight
    }
    to[place] = fitOf(s0, s1, s2, t0, t1, degree, leastSpread)
    to[place + 1] = fitOf(u0, u1, u2, v0, v1, degree, leastSpread)
    if (!(s0 > 0 && u0 > 0)) complete = false
  }
  return complete
}

/**
 * Smooths two runs of points that lie interleaved with others, such as two seasons of a series: they share
 * every weight.
 *
 * @param geometry of one run
 * @param points ρ and ρ·y of all runs
 * @param run the first run, from 0
 * @param other runs from it to the second; 0 for one run alone
 * @param runs how many lie interleaved
 * @param to receives the values, interleaved likewise
 * @returns whether every place of both had a weight
 */
export function smoothInterleaved(
  { places, first, size, shift, table, beside, degree, leastSpread }: SpacedLoess,
  points: WeightedPoints,
  run: number,
  other: 0 | 1,
  runs: number,
  to: number[],
): boolean {
  const step = 2 * runs
  const across = 2 * other
  let complete = true
  for (let i = 0; i < places; i++) {
    const start = first[i]!
    const end = shift[i]! + size
    let d = start - i + beside
    let s0 = 0
    let s1 = 0
    let s2 = 0
    let t0 = 0
    let t1 = 0
    let u0 = 0
    let u1 = 0
    let u2 = 0
    let v0 = 0
    let v1 = 0
    for (let k = shift[i]!, at = 2 * (run + start * runs); k < end; k++, at += step) {
      const w = table[k]!
      const wd = w * d
      const wdd = wd * d
      const prior = points[at]!
      const value = points[at + 1]!
      const otherPrior = points[at + across]!
      const otherValue = points[at + across + 1]!
      s0 += w * prior
      s1 += wd * prior
      s2 += wdd * prior
      t0 += w * value
      t1 += wd * value
      u0 += w * otherPrior
      u1 += wd * otherPrior
      u2 += wdd * otherPrior
      v0 += w * otherValue
      v1 += wd * otherValue
      d += 1
    }
    const at = run + i * runs
    to[at] = fitOf(s0, s1, s2, t0, t1, degree, leastSpread)
    to[at + other] = fitOf(u0, u1, u2, v0, v1, degree, leastSpread)
    if (!(s0 > 0 && u0 > 0)) complete = false
  }
  return complete
}

/** The local line, or constant, at distance 0, from the weighted sums; NaN without any weight. */
function fitOf(
  s0: number,
  s1: number,
  s2: number,
  t0: number,
  t1: number,
  degree: 0 | 1,
  leastSpread: number,
): number {
  if (!(s0 > 0)) return NaN
  const centre = s1 / s0
  const level = t0 / s0
  const spread = s2 / s0 - centre * centre
  if (degree === 0 || spread <= leastSpread) return level
  return level - (centre * (t1 / s0 - centre * level)) / spread
}

/**
 * The same without prior weights as fixed filters: for each window the factors of its points, in the
 * order of the table.
 */
export function fixedFilters({
  places,
  first,
  size,
  shift,
  table,
  beside,
  degree,
  leastSpread,
}: SpacedLoess): number[] {
  const factors = doubles(table.length)
  for (let i = 0; i < places; i++) {
    const own = shift[i]!
    if (factors[own + (size >> 1)] !== 0) continue
    const d = first[i]! - i + beside
    let s0 = 0
    let s1 = 0
    let s2 = 0
    for (let k = 0; k < size; k++) {
      s0 += table[own + k]!
      s1 += table[own + k]! * (d + k)
      s2 += table[own + k]! * (d + k) ** 2
    }
    const centre = s1 / s0
    const spread = s2 / s0 - centre * centre
    const slope = degree === 0 || spread <= leastSpread ? 0 : centre / spread
    for (let k = 0; k < size; k++) {
      factors[own + k] = (table[own + k]! * (1 + slope * (centre - d - k))) / s0
    }
  }
  return factors
}
