import type { Value } from '../../series/series'
import { seasonsOf } from './seasonalStep'
import { vanishes, yearAt, type Frame } from './frame'

/** Between which multiples of σ a value loses its weight. */
export interface ExtremeLimits {
  readonly lower: number
  readonly upper: number
}

/** How far each value is believed. */
export interface Extremes {
  /** σ by calendar year. */
  readonly sigma: ReadonlyMap<number, number>
  /** 1 in full, 0 not at all; 1 outside of the irregular and for what was appended. */
  readonly weight: readonly number[]
}

/** Beyond so many σ a deviation does not count for σ itself, whatever the limits. */
const FLAG = 2.5
/** Years to either side whose deviations make the σ of a year. */
const HALF_WINDOW = 2
const FEWEST_YEARS = 5

/**
 * σ of an irregular year by year, over five years around each, and what follows for each value.
 *
 * Deviations are from what changes nothing, not from their mean. Those far out are flagged by the σ of their own year, and σ is
 * made again without them.
 *
 * @see Shiskin, J., Young, A. H. & Musgrave, J. C. (1967), Bureau of the Census Technical Paper 15
 */
export function extremesOf(
  frame: Frame,
  irregular: readonly Value[],
  { lower, upper }: ExtremeLimits,
): Extremes {
  const deviations = irregular.map((value, i) =>
    value === null || i >= frame.n ? null : Math.abs(value - frame.terms.neutral),
  )
  const windows = windowsOf(frame, deviations)
  const spread = (year: number, counts: (entry: number) => boolean) => {
    let [sum, count] = [0, 0]
    for (const i of windows.get(year)!) {
      if (!counts(i)) continue
      sum += deviations[i]! ** 2
      count += 1
    }
    return Math.sqrt(sum / count)
  }
  const first = new Map([...windows.keys()].map((year) => [year, spread(year, () => true)]))
  const isFlagged = deviations.map((d, i) => {
    if (d === null) return false
    const sigma = first.get(yearAt(frame, i))!
    return !vanishes(frame, sigma) && d > FLAG * sigma
  })
  const sigma = new Map(
    [...windows.keys()].map((year) => [year, spread(year, (i) => !isFlagged[i])]),
  )
  const weight = deviations.map((d, i) => {
    if (d === null) return 1
    const own = sigma.get(yearAt(frame, i))!
    if (vanishes(frame, own)) return isFlagged[i] ? 0 : 1
    const r = d / own
    if (r <= lower) return 1
    return r > upper ? 0 : (upper - r) / (upper - lower)
  })
  return { sigma, weight }
}

/** The entries whose deviations make the σ of each year; part years are years. */
function windowsOf(frame: Frame, deviations: readonly Value[]): Map<number, readonly number[]> {
  const byYear = new Map<number, number[]>()
  deviations.forEach((d, i) => {
    if (d === null) return
    const year = yearAt(frame, i)
    byYear.set(year, [...(byYear.get(year) ?? []), i])
  })
  const years = [...byYear.keys()]
  const all = [...byYear.values()]
  if (years.length < FEWEST_YEARS) {
    const whole = all.flat()
    return new Map(years.map((year) => [year, whole]))
  }
  return new Map(
    years.map((year, k) => {
      const middle = Math.min(Math.max(k, HALF_WINDOW), years.length - 1 - HALF_WINDOW)
      return [year, all.slice(middle - HALF_WINDOW, middle + HALF_WINDOW + 1).flat()]
    }),
  )
}

/** Full values that a replacement rests on: two on either side, or where there are not as many the nearest ones. */
const [ON_EACH_SIDE, NEAREST] = [2, 3]

/**
 * A seasonal-irregular whose values that are not fully believed are replaced by those around them in their own season.
 *
 * All are made of what was there before: none serves another.
 */
export function replaced(
  frame: Pick<Frame, 'seasons' | 'start'>,
  si: readonly Value[],
  weight: readonly Value[],
): Value[] {
  const result = [...si]
  for (const group of seasonsOf(frame, si)) {
    group.forEach((i, place) => {
      const own = weight[i]!
      if (own >= 1) return
      const full = neighboursOf(group, weight, place)
      // With nothing to rest on, the mean of all the season has.
      const [terms, share] = full.length === 0 ? [group, 0] : [full, own]
      const sum = terms.reduce((total, other) => total + si[other]!, share * si[i]!)
      result[i] = sum / (share + terms.length)
    })
  }
  return result
}

/**
 * The entries that a value which is not fully believed is replaced by; none where no value of its season is.
 *
 * @param group entries of its season, in order of years
 * @param place its own among them
 */
export function neighboursOf(
  group: readonly number[],
  weight: readonly Value[],
  place: number,
): readonly number[] {
  const full = group.flatMap((entry, j) =>
    weight[entry] === 1 ? [{ entry, apart: j - place }] : [],
  )
  const before = full.filter(({ apart }) => apart < 0).slice(-ON_EACH_SIDE)
  const after = full.filter(({ apart }) => apart > 0).slice(0, ON_EACH_SIDE)
  const isBetween = before.length === ON_EACH_SIDE && after.length === ON_EACH_SIDE
  // At equal distance the earlier one.
  const nearest = [...full].sort(
    (x, y) => Math.abs(x.apart) - Math.abs(y.apart) || x.apart - y.apart,
  )
  const chosen = isBetween ? [...before, ...after] : nearest.slice(0, NEAREST)
  return chosen.sort((x, y) => x.apart - y.apart).map(({ entry }) => entry)
}
