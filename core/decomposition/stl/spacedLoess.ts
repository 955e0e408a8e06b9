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
  readonly table: Float64Array
  /** For the window in the middle w, w·d and w·d² by the distance d from 0. */
  readonly middle: readonly [w: Float64Array, wd: Float64Array, wdd: Float64Array]
  /** Places from here up to `middleTo`, from 0, have their window in the middle: the same for all. */
  readonly middleFrom: number
  readonly middleTo: number
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
  const table = new Float64Array(own * reach)
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
  const w = Float64Array.from({ length: half + 1 }, (_, d) => tricube(d, half))
  const middle = [
    w,
    w.map((weight, d) => weight * d),
    w.map((weight, d) => weight * d * d),
  ] as const
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
 * Smooths points with prior weights.
 *
 * @param prepared geometry
 * @param rho prior weights ρ of the n points
 * @param rhoY ρ·y
 * @param to receives one value a place; NaN where every weight is 0, for the caller to replace
 * @returns whether every place had a weight
 */
export function smoothWeighted(
  prepared: SpacedLoess,
  rho: Float64Array,
  rhoY: Float64Array,
  to: Float64Array,
): boolean {
  const { places, middleFrom, middleTo } = prepared
  const from = Math.min(middleFrom, places)
  const until = Math.max(from, Math.min(middleTo, places))
  const atStart = smoothEdges(prepared, rho, rhoY, to, 0, from)
  const inMiddle = smoothMiddle(prepared, ...prepared.middle, rho, rhoY, to, from, until)
  const atEnd = smoothEdges(prepared, rho, rhoY, to, until, places)
  return atStart && inMiddle && atEnd
}

/** Windows that are cut at an end: each has weights of its own. */
function smoothEdges(
  { n, places, first, size, shift, table, degree, leastSpread }: SpacedLoess,
  rho: Float64Array,
  rhoY: Float64Array,
  to: Float64Array,
  from: number,
  until: number,
): boolean {
  const beside = places > n ? 1 : 0
  let complete = true
  for (let i = from; i < until; i++) {
    const start = first[i]!
    const own = shift[i]!
    let d = start - i + beside
    let s0 = 0
    let s1 = 0
    let s2 = 0
    let t0 = 0
    let t1 = 0
    for (let k = 0; k < size; k++) {
      const w = table[own + k]!
      const prior = w * rho[start + k]!
      const value = w * rhoY[start + k]!
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

/** Windows in the middle, folded: points as far to the left and right share their weight. */
function smoothMiddle(
  { n, places, degree, leastSpread }: SpacedLoess,
  w: Float64Array,
  wd: Float64Array,
  wdd: Float64Array,
  rho: Float64Array,
  rhoY: Float64Array,
  to: Float64Array,
  from: number,
  until: number,
): boolean {
  const beside = places > n ? 1 : 0
  const half = w.length - 1
  let complete = true
  for (let place = from; place < until; place++) {
    const i = place - beside
    let s0 = rho[i]!
    let s1 = 0
    let s2 = 0
    let t0 = rhoY[i]!
    let t1 = 0
    for (let d = 1; d <= half; d++) {
      const left = rho[i - d]!
      const right = rho[i + d]!
      const valueLeft = rhoY[i - d]!
      const valueRight = rhoY[i + d]!
      const prior = left + right
      s0 += w[d]! * prior
      s2 += wdd[d]! * prior
      s1 += wd[d]! * (right - left)
      t0 += w[d]! * (valueLeft + valueRight)
      t1 += wd[d]! * (valueRight - valueLeft)
    }
    to[place] = fitOf(s0, s1, s2, t0, t1, degree, leastSpread)
    if (!(s0 > 0)) complete = false
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
  n,
  places,
  first,
  size,
  shift,
  table,
  degree,
  leastSpread,
}: SpacedLoess): Float64Array {
  const beside = places > n ? 1 : 0
  const factors = new Float64Array(table.length)
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
