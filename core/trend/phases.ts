import { inflation } from '../autocorrelation/inflation'
import { twoSidedT } from '../statistics/distributions'
import type { Value } from '../series/series'

/** A stretch over which the series rises, falls or stays, on one line. */
export interface Phase {
  /** Entries, both ends included. */
  readonly from: number
  readonly to: number
  readonly direction: 'rises' | 'falls' | 'level'
  /** Of the line, per period, and its value in the middle of the stretch. */
  readonly slope: number
  readonly middle: number
  /** Standard error of the slope, allowing for neighbours that are alike. */
  readonly error: number
}

const MOST_PHASES = 6
const SHORTEST = 8
const SIGNIFICANT = 0.01
/** Neighbouring residuals that are more alike than this are not believed to be noise any more. */
const MOST_ALIKE = 0.8
/** Breaks are looked for at this many places at the most, so that long series take no longer. */
const MOST_PLACES = 200
/** A sum of squares below this share of the squared values is rounding. */
const ROUNDING = 1e-18

/**
 * The trend read in phases: least-squares lines over consecutive stretches, as many as pay for themselves, with
 * the breaks where they leave the least over (dynamic programming).
 *
 * K phases are charged f·(6K − 1)·ln n against n·ln(SSE/n): twice the usual price of a line, since noise whose
 * neighbours are alike bends a line in a third of series at the usual one; and f = (1 + r)/(1 − r) times that, r
 * the autocorrelation of what the most phases leave, with what their lines take from it put back.
 *
 * @param values the deseasonalized series, outliers replaced, null = missing
 * @param seasons m; a phase is a year at the least
 * @see Bai, J. & Perron, P. (1998), Econometrica 66, 47–78, for breaks by dynamic programming
 * @example a series that rises for six years and stays for four: two phases
 */
export function phasesOf(values: readonly Value[], seasons: number): Phase[] {
  return readPhases(values, seasons).phases
}

/** A series read in phases. */
export interface PhaseReading {
  /** Neighbours that say the same are one. */
  readonly phases: Phase[]
  /** The lines as they were fitted, before any were joined: a step leaves two that are level. */
  readonly pieces: readonly Phase[]
  /** What those lines leave, one entry a period, null where there is no value. */
  readonly residuals: readonly Value[]
}

/** The same with what its lines were before neighbours were joined. */
export function readPhases(values: readonly Value[], seasons: number): PhaseReading {
  const shortest = Math.max(seasons, SHORTEST)
  const n = values.filter((value) => value !== null).length
  if (n < 3 || values.length < shortest) return { phases: [], pieces: [], residuals: [] }
  const lines = lineSums(values)
  const { ends, best, from } = bestBreaks(values.length, shortest, lines.sse)
  const most = best.length
  const size = lines.squares * ROUNDING
  const last = ends.length - 1

  const finest = stretchesOf(ends, from, most)
  const f = inflation(residualsOf(values, finest, lines), MOST_ALIKE, 2 * finest.length)
  let chosen = 1
  let least = Infinity
  for (let k = 1; k <= most; k++) {
    const sse = best[k - 1]![last]!
    if (sse === Infinity) continue
    const price = n * Math.log(Math.max(sse, size) / n) + f * (6 * k - 1) * Math.log(n)
    if (price < least) [least, chosen] = [price, k]
  }
  const phase = (stretch: Stretch) => phaseOf(stretch, lines, f)
  const pieces = stretchesOf(ends, from, chosen).map(phase)
  return {
    phases: merged(pieces, phase),
    pieces,
    residuals: residualsOf(values, pieces, lines),
  }
}

interface Stretch {
  readonly from: number
  readonly to: number
}

/** Lines through stretches, from sums over centred values, so that nothing is lost to a high level. */
function lineSums(values: readonly Value[]) {
  const length = values.length
  const present = values.filter((value) => value !== null)
  const centre = present.reduce((sum, value) => sum + value, 0) / present.length
  const middle = (length - 1) / 2
  const [n, x, y, xx, xy, yy] = Array.from({ length: 6 }, () => new Float64Array(length + 1)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  values.forEach((value, i) => {
    const isThere = value === null ? 0 : 1
    const [at, own] = [isThere * (i - middle), isThere * ((value ?? 0) - centre)]
    n[i + 1] = n[i]! + isThere
    x[i + 1] = x[i]! + at
    y[i + 1] = y[i]! + own
    xx[i + 1] = xx[i]! + at * at
    xy[i + 1] = xy[i]! + at * own
    yy[i + 1] = yy[i]! + own * own
  })
  const over = (sums: Float64Array, from: number, to: number) => sums[to + 1]! - sums[from]!

  /** What the line leaves over; asked for every pair of places, so it makes no objects. */
  const sse = (from: number, to: number): number => {
    const count = over(n, from, to)
    if (count < 3) return Infinity
    const sx = over(x, from, to)
    const sy = over(y, from, to)
    const sxx = over(xx, from, to) - (sx * sx) / count
    const sxy = over(xy, from, to) - (sx * sy) / count
    const syy = over(yy, from, to) - (sy * sy) / count
    return sxx > 0 ? Math.max(0, syy - (sxy * sxy) / sxx) : Math.max(0, syy)
  }
  const line = (from: number, to: number) => {
    const count = over(n, from, to)
    if (count < 3) return null
    const [sx, sy] = [over(x, from, to), over(y, from, to)]
    const sxx = over(xx, from, to) - (sx * sx) / count
    const slope = sxx > 0 ? (over(xy, from, to) - (sx * sy) / count) / sxx : 0
    const error = sxx > 0 ? Math.sqrt(sse(from, to) / (count - 2) / sxx) : 0
    const at = (i: number) => centre + sy / count + slope * (i - middle - sx / count)
    return { n: count, slope, error, at }
  }
  const squares = present.reduce((sum, value) => sum + value * value, 0)
  return { squares, sse, line }
}
type Lines = ReturnType<typeof lineSums>

/** For every number of phases, and every place where the last may end, the least that can be left over. */
function bestBreaks(length: number, shortest: number, sse: (from: number, to: number) => number) {
  const apart = Math.max(1, Math.ceil(length / MOST_PLACES))
  // ends[j] is the last entry of a stretch that may end at place j.
  const ends: number[] = []
  for (let end = apart - 1; end < length - 1; end += apart) ends.push(end)
  ends.push(length - 1)
  const starts = [0, ...ends.slice(0, -1).map((end) => end + 1)]
  const most = Math.max(1, Math.min(MOST_PHASES, Math.floor(length / shortest)))
  // Row j: the least over stretches that end at place j, by the place where they start.
  const costs = ends.map((end, j) => {
    const row = new Float64Array(j + 1).fill(Infinity)
    for (let i = 0; i <= j && end - starts[i]! + 1 >= shortest; i++) row[i] = sse(starts[i]!, end)
    return row
  })
  const best: Float64Array[] = [Float64Array.from(costs, (row) => row[0]!)]
  const from: Int32Array[] = [new Int32Array(ends.length)]
  for (let k = 1; k < most; k++) {
    const row = new Float64Array(ends.length).fill(Infinity)
    const start = new Int32Array(ends.length).fill(-1)
    const before = best[k - 1]!
    for (let j = 0; j < ends.length; j++) {
      const cost = costs[j]!
      let least = Infinity
      for (let i = 1; i <= j; i++) {
        const all = before[i - 1]! + cost[i]!
        if (all < least) {
          least = all
          start[j] = i
        }
      }
      row[j] = least
    }
    best.push(row)
    from.push(start)
  }
  return { ends, best, from }
}

/** The stretches of the best way to cut the whole into k. */
function stretchesOf(ends: readonly number[], from: readonly Int32Array[], k: number): Stretch[] {
  const stretches: Stretch[] = []
  let place = ends.length - 1
  for (let level = k - 1; level >= 0; level--) {
    const start = level === 0 ? 0 : from[level]![place]!
    if (start < 0) return stretchesOf(ends, from, k - 1)
    stretches.unshift({ from: start === 0 ? 0 : ends[start - 1]! + 1, to: ends[place]! })
    place = start - 1
  }
  return stretches
}

function residualsOf(
  values: readonly Value[],
  stretches: readonly Stretch[],
  lines: Lines,
): Value[] {
  const residuals = Array<Value>(values.length).fill(null)
  for (const { from, to } of stretches) {
    const line = lines.line(from, to)
    for (let i = from; i <= to; i++) {
      const value = values[i]!
      if (value !== null && line) residuals[i] = value - line.at(i)
    }
  }
  return residuals
}

function phaseOf({ from, to }: Stretch, lines: Lines, f: number): Phase {
  const line = lines.line(from, to)
  if (!line) return { from, to, direction: 'level', slope: 0, middle: 0, error: 0 }
  const { slope, n } = line
  const error = line.error * Math.sqrt(f)
  const isSure = error === 0 ? slope !== 0 : twoSidedT(slope / error, n - 2) <= SIGNIFICANT
  const direction = !isSure ? 'level' : slope > 0 ? 'rises' : 'falls'
  return { from, to, direction, slope, middle: line.at((from + to) / 2), error }
}

/** Neighbours that say the same are one; two that are level stay level, whatever a line through both of them would say. */
function merged(phases: readonly Phase[], phaseAgain: (stretch: Stretch) => Phase): Phase[] {
  for (let k = 1; k < phases.length; k++) {
    const [before, after] = [phases[k - 1]!, phases[k]!]
    if (before.direction !== after.direction) continue
    const isAlike =
      before.direction === 'level' ||
      Math.abs(before.slope - after.slope) <= Math.hypot(before.error, after.error)
    if (!isAlike) continue
    const again = phaseAgain({ from: before.from, to: after.to })
    const both: Phase = before.direction === 'level' ? { ...again, direction: 'level' } : again
    return merged([...phases.slice(0, k - 1), both, ...phases.slice(k + 1)], phaseAgain)
  }
  return [...phases]
}
