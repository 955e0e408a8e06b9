import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'
import { median } from '../statistics/average'
import { robustSpread } from '../statistics/spread'
import { levelToTheEnds } from './level'

/** Robust standard deviations beyond which a value is one that trend and season do not explain. */
const BEYOND = 4
/** Other values of a season that are needed to say what is usual in it. */
const FEWEST_OTHERS = 3
/** At the most one value in four is an outlier. */
const MOST_SHARE = 0.25
/** Departures below this share of the largest value are rounding. */
const ROUNDING = 1e-9

/** What one model finds out of the ordinary. */
export interface SearchedModel {
  readonly model: Model
  /** Entries, in the order in which they were found. */
  readonly found: readonly number[]
  /** The moving average, carried on to the ends, with the found values replaced. */
  readonly level: readonly Value[]
  /** What a season usually makes of the level: the median of its ratios (differences). */
  readonly usual: readonly Value[]
  /** How far each value departs from level and season, as a share or an amount; J. */
  readonly departures: readonly Value[]
  /** A departure beyond this is no chance. */
  readonly beyond: number
}

/** What is searched. */
export interface Searched {
  /** One a period, null = missing. */
  readonly values: readonly Value[]
  /** Season of each, 1..m; all alike for a series without a season. */
  readonly seasonOf: readonly number[]
  /** Order of the moving average: m, or that of the way without a season. */
  readonly order: number
}

/**
 * Values that trend and season do not explain under one model, the furthest first: they are replaced by what is
 * usual, the average is taken again, and so on until none is beyond, since one freak value sways the average
 * around it and would name its neighbours too.
 *
 * @param first the look at the values as they came
 * @see Hampel, F. R. (1974), Journal of the American Statistical Association 69, 383–393, for the MAD
 * @example of a season that repeats exactly with one value doubled: that one, departing by 1
 */
export function searchModel(first: FirstLook, { values, order }: Searched): SearchedModel {
  const { model, look } = first
  const used = [...values]
  const found: number[] = []
  for (let seen = first.seen; ; seen = look(used, found)) {
    const room = Math.floor(MOST_SHARE * values.length) - found.length
    const next = furthestApart(seen, new Set(found), order).slice(0, room)
    if (next.length === 0) return { model, found, ...seen }
    found.push(...next)
    replaceFound(used, found, seen.usual, order, model)
  }
}

/** How many values stand out before any of them is replaced. */
export function countBeyond({ seen: { departures, beyond } }: FirstLook): number {
  return departures.filter((value) => value !== null && Math.abs(value) > beyond).length
}

/** What one look at the values sees. */
type Seen = Pick<SearchedModel, 'level' | 'usual' | 'departures' | 'beyond'>
/** A look: the level is taken of the values used, of which those found are replaced. */
type Look = (used: readonly Value[], found: readonly number[]) => Seen

/** One model's look at the values before any of them is replaced, and how it looks again. */
export interface FirstLook {
  readonly model: Model
  readonly look: Look
  readonly seen: Seen
}

/** How every value departs from level and season under one model. */
export function firstLook(model: Model, searched: Searched): FirstLook {
  const look = lookAt(model, searched)
  return { model, look, seen: look(searched.values, []) }
}

function lookAt(model: Model, { values, seasonOf, order }: Searched): Look {
  const { takeOut, neutral } = MODEL[model]
  const largest = values.reduce<number>((most, value) => Math.max(most, Math.abs(value ?? 0)), 0)
  const least = ROUNDING * (model === 'additive' ? largest : 1)
  const places = placesBySeason(seasonOf)
  return (used, found) => {
    const level = levelToTheEnds(used, order)
    // Replaced values take no part in what is usual, but are themselves judged as they came.
    const ratios = values.map((value, i) => {
      const at = level[i]!
      if (value === null || at === null || (model === 'multiplicative' && at <= 0)) return null
      return takeOut(value, at)
    })
    const isFound = new Set(found)
    const others = found.length === 0 ? ratios : ratios.map((r, i) => (isFound.has(i) ? null : r))
    const usual = Array<Value>(values.length).fill(null)
    const raw = Array<Value>(values.length).fill(null)
    const judged: number[] = []
    for (const at of places) {
      const middle = middlesOfOthers(at, others)
      for (const i of at) {
        usual[i] = middle(i)
        if (usual[i] === null || ratios[i] === null) continue
        const departure = takeOut(ratios[i]!, usual[i]!) - neutral
        raw[i] = departure
        if (!isFound.has(i)) judged.push(departure)
      }
    }
    const centre = median(judged) ?? 0
    return {
      level,
      usual,
      departures: raw.map((value) => (value === null ? null : value - centre)),
      beyond: Math.max(BEYOND * (robustSpread(judged) ?? 0), least),
    }
  }
}

/** Times that found values and the level are taken from each other: one value is a twelfth of its average. */
const PASSES = 3

/** Puts what is usual in the place of every found value, the average taken anew without them. */
function replaceFound(
  used: Value[],
  found: readonly number[],
  usual: readonly Value[],
  order: number,
  model: Model,
): void {
  const { putBack } = MODEL[model]
  for (let pass = 0; pass < PASSES; pass++) {
    const level = levelToTheEnds(used, order)
    for (const i of found) {
      const [at, season] = [level[i] ?? null, usual[i] ?? null]
      if (at !== null && season !== null) used[i] = putBack(at, season)
    }
  }
}

/**
 * The median of the other values of a season, for each of its entries. Which value is left aside decides it only by
 * the side of the middle on which that lies, so there are three answers at the most, and a search over every value
 * does not pay for a median each.
 *
 * @param entries of one season
 * @param values of the whole series, null = not there
 * @returns by entry; undefined with fewer others than are needed
 * @example of 1, 2, 4, 8: 4 for the first two, 2 for the last two
 */
function middlesOfOthers(
  entries: readonly number[],
  values: readonly Value[],
): (entry: number) => Value {
  const present: number[] = []
  for (const i of entries) if (values[i] !== null) present.push(values[i]!)
  const s = new Float64Array(present).sort()
  const isOdd = s.length % 2 === 1
  const half = s.length >> 1
  const [left, middle, right] = [s[half - 1]!, s[half]!, s[half + 1]!]
  const withoutLower = isOdd ? (middle + right) / 2 : middle
  const withoutUpper = isOdd ? (left + middle) / 2 : left
  const withoutMiddle = isOdd ? (left + right) / 2 : left
  const ofAll = isOdd ? middle : (left + middle) / 2
  return (entry) => {
    const value = values[entry]!
    if (s.length - (value === null ? 0 : 1) < FEWEST_OTHERS) return null
    if (value === null) return ofAll
    if (value < middle) return withoutLower
    return value > middle ? withoutUpper : withoutMiddle
  }
}

function placesBySeason(seasonOf: readonly number[]): number[][] {
  const places = new Map<number, number[]>()
  seasonOf.forEach((season, i) => {
    const own = places.get(season)
    if (own) own.push(i)
    else places.set(season, [i])
  })
  return [...places.values()]
}

/**
 * The entries that stand out, the furthest first, each further from those before it than the average reaches: these
 * do not sway one another, so that they can be replaced at once, and a long series takes no longer for each.
 */
function furthestApart(
  { departures, beyond }: Pick<SearchedModel, 'departures' | 'beyond'>,
  isFound: ReadonlySet<number>,
  order: number,
): number[] {
  const size = (entry: number) => Math.abs(departures[entry]!)
  const candidates = departures.flatMap((value, i) =>
    value !== null && !isFound.has(i) && Math.abs(value) > beyond ? [i] : [],
  )
  const taken: number[] = []
  for (const entry of candidates.sort((a, b) => size(b) - size(a))) {
    if (taken.every((other) => Math.abs(other - entry) > order)) taken.push(entry)
  }
  return taken
}
