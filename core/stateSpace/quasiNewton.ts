/** What a search minimises: a point within bounds, and how it may move. */
export interface Problem {
  readonly least: Float64Array
  readonly most: Float64Array
  /** A step of this size in each coordinate changes the criterion about as much as in any other. */
  readonly scale: Float64Array
  /** Infinite where the point is not admissible. */
  value(x: Float64Array): number
  /** Of an admissible point: how the value changes along each coordinate, written into a list. */
  slopes(x: Float64Array, into: Float64Array): void
}

/** How far a search goes. */
export interface Effort {
  /** Steps at the most. */
  readonly most: number
  /** It ends when three steps in a row bring less than this. */
  readonly enough: number
}

export interface Minimum {
  readonly x: Float64Array
  readonly value: number
}

const MOST_HALVINGS = 30
/** Of the decrease that the slope promises, a step must bring this share. */
const LEAST_SHARE = 1e-4

/**
 * A minimum by a quasi-Newton search within bounds: coordinates at a bound whose slope points outward stay there, the
 * others move along −H·g, H the inverse curvature as the steps so far have shown it.
 *
 * @see Broyden (1970), Fletcher (1970), Goldfarb (1970), Shanno (1970); Bertsekas, D. P. (1982), SIAM Journal on
 *   Control and Optimization 20, 221–246 (bounds)
 */
export function minimise(problem: Problem, start: Float64Array, { most, enough }: Effort): Minimum {
  const p = start.length
  // A search takes thousands of steps: what each needs is written over, not made anew, and no loop calls out.
  let x = new Float64Array(p)
  let next = new Float64Array(p)
  let slope = new Float64Array(p)
  let nextSlope = new Float64Array(p)
  const free = new Uint8Array(p)
  const direction = new Float64Array(p)
  const inverse = new Float64Array(p * p)
  const moved = { by: new Float64Array(p), turn: new Float64Array(p), along: new Float64Array(p) }
  clip(problem, start, x)
  let value = problem.value(x)
  if (!Number.isFinite(value) || p === 0) return { x, value }
  reset(inverse, problem.scale)
  problem.slopes(x, slope)
  let isFresh = true
  let small = 0
  for (let step = 0; step < most; step++) {
    for (let i = 0; i < p; i++) free[i] = isHeld(problem, x, i, slope[i]!) ? 0 : 1
    const promised = descend(inverse, slope, free, direction)
    const found =
      promised < 0 ? stepAlong(problem, x, value, direction, slope, isFresh, next) : null
    if (found === null) {
      if (isFresh) break
      reset(inverse, problem.scale)
      isFresh = true
      continue
    }
    problem.slopes(next, nextSlope)
    for (let i = 0; i < p; i++) {
      moved.by[i] = free[i] ? next[i]! - x[i]! : 0
      moved.turn[i] = free[i] ? nextSlope[i]! - slope[i]! : 0
    }
    update(inverse, moved)
    isFresh = false
    small = value - found < enough ? small + 1 : 0
    ;[x, next] = [next, x]
    ;[slope, nextSlope] = [nextSlope, slope]
    value = found
    if (small >= 3) break
  }
  return { x, value }
}

/** Nothing known of the curvature but the scale. */
function reset(inverse: Float64Array, scale: Float64Array): void {
  const p = scale.length
  inverse.fill(0)
  for (let i = 0; i < p; i++) inverse[i * p + i] = scale[i]! ** 2
}

/**
 * −H·g over the coordinates that are free, 0 in the others.
 *
 * @param into is overwritten
 * @returns how the value changes along it, by its slope; not below 0 where H has lost its sign
 */
function descend(
  inverse: Float64Array,
  slope: Float64Array,
  free: Uint8Array,
  into: Float64Array,
): number {
  const p = slope.length
  let promised = 0
  for (let i = 0; i < p; i++) {
    into[i] = 0
    if (!free[i]) continue
    let sum = 0
    for (let j = 0; j < p; j++) if (free[j]) sum -= inverse[i * p + j]! * slope[j]!
    into[i] = sum
    promised += sum * slope[i]!
  }
  return promised
}

/**
 * Halves a step until it brings enough, every point put back within its bounds.
 *
 * @param next is overwritten with the point that it led to
 * @returns the value there; null where no step brings anything
 */
function stepAlong(
  problem: Problem,
  x: Float64Array,
  value: number,
  direction: Float64Array,
  slope: Float64Array,
  isFirst: boolean,
  next: Float64Array,
): number | null {
  // Without curvature the first step is no longer than the scale allows.
  let length = isFirst ? Math.min(1, 1 / longest(problem, direction)) : 1
  for (let halving = 0; halving < MOST_HALVINGS; halving++) {
    for (let i = 0; i < x.length; i++) next[i] = x[i]! + length * direction[i]!
    clip(problem, next, next)
    const found = problem.value(next)
    let promised = 0
    for (let i = 0; i < x.length; i++) promised += slope[i]! * (next[i]! - x[i]!)
    if (found <= value + LEAST_SHARE * promised && found < value) return found
    length /= 2
  }
  return null
}

function longest({ scale }: Problem, direction: Float64Array): number {
  let most = 0
  for (let i = 0; i < direction.length; i++) {
    most = Math.max(most, Math.abs(direction[i]! / scale[i]!))
  }
  return most || 1
}

/** Whether a coordinate is at a bound and its slope points outward. */
function isHeld({ least, most }: Problem, x: Float64Array, i: number, g: number): boolean {
  return (x[i]! <= least[i]! && g >= 0) || (x[i]! >= most[i]! && g <= 0)
}

function clip({ least, most }: Problem, x: Float64Array, into: Float64Array): void {
  for (let i = 0; i < x.length; i++) into[i] = Math.min(most[i]!, Math.max(least[i]!, x[i]!))
}

/**
 * What a step has shown of the curvature, over the coordinates that were free.
 *
 * @param step how far it went, how the slopes turned, and room for H times that; 0 where a coordinate was held
 */
function update(
  inverse: Float64Array,
  { by: s, turn: g, along: hg }: Record<'by' | 'turn' | 'along', Float64Array>,
): void {
  const p = s.length
  let sg = 0
  for (let i = 0; i < p; i++) sg += s[i]! * g[i]!
  // Without curvature along the step nothing is learnt, and H would lose its sign.
  if (!(sg > 1e-14)) return
  let ghg = 0
  for (let i = 0; i < p; i++) {
    let sum = 0
    for (let j = 0; j < p; j++) sum += inverse[i * p + j]! * g[j]!
    hg[i] = sum
    ghg += g[i]! * sum
  }
  const own = (1 + ghg / sg) / sg
  for (let i = 0; i < p; i++) {
    for (let j = 0; j < p; j++) {
      inverse[i * p + j]! += own * s[i]! * s[j]! - (hg[i]! * s[j]! + s[i]! * hg[j]!) / sg
    }
  }
}
