/** What a search minimises: a point within bounds, and how it may move. */
export interface Problem {
  readonly least: Float64Array
  readonly most: Float64Array
  /** A step of this size in each coordinate changes the criterion about as much as in any other. */
  readonly scale: Float64Array
  /** Infinite where the point is not admissible. */
  value(x: Float64Array): number
  /** Of an admissible point: how the value changes along each coordinate. */
  slopes(x: Float64Array): Float64Array
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
  const x = clipped(problem, start)
  let value = problem.value(x)
  if (!Number.isFinite(value) || p === 0) return { x, value }
  const inverse = new Float64Array(p * p)
  const reset = () => {
    inverse.fill(0)
    for (let i = 0; i < p; i++) inverse[i * p + i] = problem.scale[i]! ** 2
  }
  reset()
  let slope = problem.slopes(x)
  let isFresh = true
  let small = 0
  for (let step = 0; step < most; step++) {
    const free = slope.map((g, i) => Number(!isHeld(problem, x, i, g)))
    const direction = new Float64Array(p)
    let promised = 0
    for (let i = 0; i < p; i++) {
      if (!free[i]) continue
      let sum = 0
      for (let j = 0; j < p; j++) if (free[j]) sum -= inverse[i * p + j]! * slope[j]!
      direction[i] = sum
      promised += sum * slope[i]!
    }
    if (!(promised < 0)) {
      if (isFresh) break
      reset()
      isFresh = true
      continue
    }
    const next = stepAlong(problem, x, value, direction, slope, isFresh)
    if (!next) {
      if (isFresh) break
      reset()
      isFresh = true
      continue
    }
    const nextSlope = problem.slopes(next.x)
    update(
      inverse,
      p,
      free,
      (i) => next.x[i]! - x[i]!,
      (i) => nextSlope[i]! - slope[i]!,
    )
    isFresh = false
    small = value - next.value < enough ? small + 1 : 0
    x.set(next.x)
    value = next.value
    slope = nextSlope
    if (small >= 3) break
  }
  return { x, value }
}

/** Halves a step until it brings enough, every point put back within its bounds. */
function stepAlong(
  problem: Problem,
  x: Float64Array,
  value: number,
  direction: Float64Array,
  slope: Float64Array,
  isFirst: boolean,
): Minimum | null {
  // Without curvature the first step is no longer than the scale allows.
  let length = isFirst ? Math.min(1, 1 / longest(problem, direction)) : 1
  for (let halving = 0; halving < MOST_HALVINGS; halving++) {
    const next = clipped(
      problem,
      direction.map((d, i) => x[i]! + length * d),
    )
    const found = problem.value(next)
    let promised = 0
    for (let i = 0; i < x.length; i++) promised += slope[i]! * (next[i]! - x[i]!)
    if (found <= value + LEAST_SHARE * promised && found < value) return { x: next, value: found }
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

function clipped({ least, most }: Problem, x: Float64Array): Float64Array {
  return x.map((one, i) => Math.min(most[i]!, Math.max(least[i]!, one)))
}

/** What a step has shown of the curvature, over the coordinates that were free. */
function update(
  inverse: Float64Array,
  p: number,
  free: Float64Array,
  moved: (i: number) => number,
  turned: (i: number) => number,
): void {
  const s = Float64Array.from({ length: p }, (_, i) => (free[i] ? moved(i) : 0))
  const g = Float64Array.from({ length: p }, (_, i) => (free[i] ? turned(i) : 0))
  let sg = 0
  for (let i = 0; i < p; i++) sg += s[i]! * g[i]!
  // Without curvature along the step nothing is learnt, and H would lose its sign.
  if (!(sg > 1e-14)) return
  const hg = new Float64Array(p)
  let ghg = 0
  for (let i = 0; i < p; i++) {
    let sum = 0
    for (let j = 0; j < p; j++) sum += inverse[i * p + j]! * g[j]!
    hg[i] = sum
  }
  for (let i = 0; i < p; i++) ghg += g[i]! * hg[i]!
  const own = (1 + ghg / sg) / sg
  for (let i = 0; i < p; i++) {
    for (let j = 0; j < p; j++) {
      inverse[i * p + j]! += own * s[i]! * s[j]! - (hg[i]! * s[j]! + s[i]! * hg[j]!) / sg
    }
  }
}
