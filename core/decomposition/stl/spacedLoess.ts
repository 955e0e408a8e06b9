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
  /** Points in the window of each place. */
  readonly size: Int32Array
  /** Where the tables of a place begin in the three lists. */
  readonly table: Int32Array
  /** Tricube weights w of the windows, and w·d and w·d² with d the distance to the right. */
  readonly w: Float64Array
  readonly wd: Float64Array
  readonly wdd: Float64Array
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
  const size = new Int32Array(places)
  const table = new Int32Array(places)
  const w: number[] = []
  const wd: number[] = []
  const wdd: number[] = []
  const half = reach >> 1
  let middle = -1
  for (let i = 0; i < places; i++) {
    const place = beyond ? i : i + 1
    const start = Math.min(Math.max(place - half, 1), n - reach + 1)
    const end = start + reach - 1
    const farthest = Math.max(place - start, end - place)
    const h = q > n ? farthest + Math.floor((q - n) / 2) : farthest
    first[i] = start - 1
    size[i] = reach
    // Away from the ends every window is the same.
    const isMiddle = q <= n && place - start === half && end - place === half
    if (isMiddle && middle >= 0) {
      table[i] = middle
      continue
    }
    table[i] = w.length
    if (isMiddle) middle = w.length
    for (let at = start; at <= end; at++) {
      const d = at - place
      const distance = Math.abs(d)
      const weight =
        distance > OUTER * h ? 0 : distance <= INNER * h ? 1 : (1 - (distance / h) ** 3) ** 3
      w.push(weight)
      wd.push(weight * d)
      wdd.push(weight * d * d)
    }
  }
  return {
    n,
    places,
    first,
    size,
    table,
    w: Float64Array.from(w),
    wd: Float64Array.from(wd),
    wdd: Float64Array.from(wdd),
    degree,
    leastSpread: (0.001 * (n - 1)) ** 2,
  }
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
  { places, first, size, table, w, wd, wdd, degree, leastSpread }: SpacedLoess,
  rho: Float64Array,
  rhoY: Float64Array,
  to: Float64Array,
): boolean {
  let complete = true
  for (let i = 0; i < places; i++) {
    const from = first[i]!
    const shift = table[i]!
    const count = size[i]!
    let s0 = 0
    let s1 = 0
    let s2 = 0
    let t0 = 0
    let t1 = 0
    for (let k = 0; k < count; k++) {
      const prior = rho[from + k]!
      const value = rhoY[from + k]!
      const a = w[shift + k]!
      const b = wd[shift + k]!
      s0 += a * prior
      s1 += b * prior
      s2 += wdd[shift + k]! * prior
      t0 += a * value
      t1 += b * value
    }
    if (!(s0 > 0)) {
      to[i] = NaN
      complete = false
      continue
    }
    const centre = s1 / s0
    const level = t0 / s0
    const spread = s2 / s0 - centre * centre
    to[i] =
      degree === 0 || spread <= leastSpread
        ? level
        : level - (centre * (t1 / s0 - centre * level)) / spread
  }
  return complete
}

/**
 * The same without prior weights as fixed filters: for each place the factors of the points of its window.
 */
export function fixedFilters({
  places,
  size,
  table,
  w,
  wd,
  wdd,
  degree,
  leastSpread,
}: SpacedLoess): Float64Array {
  const factors = new Float64Array(w.length)
  const done = new Set<number>()
  for (let i = 0; i < places; i++) {
    const shift = table[i]!
    if (done.has(shift)) continue
    done.add(shift)
    let s0 = 0
    let s1 = 0
    let s2 = 0
    for (let k = 0; k < size[i]!; k++) {
      s0 += w[shift + k]!
      s1 += wd[shift + k]!
      s2 += wdd[shift + k]!
    }
    const centre = s1 / s0
    const spread = s2 / s0 - centre * centre
    const slope = degree === 0 || spread <= leastSpread ? 0 : centre / spread
    for (let k = 0; k < size[i]!; k++) {
      factors[shift + k] = (w[shift + k]! * (1 + slope * centre) - slope * wd[shift + k]!) / s0
    }
  }
  return factors
}
