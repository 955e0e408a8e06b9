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
 * @see Hampel, F. R. (1974), Journal of the American Statistical Association 69, 383–393, for the MAD
 * @example of a season that repeats exactly with one value doubled: that one, departing by 1
 */
export function searchModel(model: Model, searched: Searched): SearchedModel {
  const { values, order } = searched
  const look = lookAt(model, searched)
  const used = [...values]
  const found: number[] = []
  for (;;) {
    const seen = look(used, found)
    const room = Math.floor(MOST_SHARE * values.length) - found.length
    const next = furthestApart(seen, new Set(found), order).slice(0, room)
    if (next.length === 0) return { model, found, ...seen }
    found.push(...next)
    replaceFound(used, found, seen.usual, order, model)
  }
}

/** How many values stand out before any of them is replaced. */
export function countBeyond(model: Model, searched: Searched): number {
  const { departures, beyond } = lookAt(model, searched)(searched.values, [])
  return departures.filter((value) => value !== null && Math.abs(value) > beyond).length
}

/** How every value departs from level and season, the level taken of values of which some are replaced. */
function lookAt(model: Model, { values, seasonOf, order }: Searched) {
  const { takeOut, neutral } = MODEL[model]
  const largest = values.reduce<number>((most, value) => Math.max(most, Math.abs(value ?? 0)), 0)
  const least = ROUNDING * (model === 'additive' ? largest : 1)
  const places = placesBySeason(seasonOf)
  return (
    used: readonly Value[],
    found: readonly number[],
  ): Pick<SearchedModel, 'level' | 'usual' | 'departures' | 'beyond'> => {
    const level = levelToTheEnds(used, order)
    // Replaced values take no part in what is usual, but are themselves judged as they came.
    const ratios = values.map((value, i) => {
      const at = level[i]!
      if (value === null || at === null || (model === 'multiplicative' && at <= 0)) return null
      return takeOut(value, at)
    })
    const isFound = new Set(found)
    const others = ratios.map((ratio, i) => (isFound.has(i) ? null : ratio))
    const usual = Array<Value>(values.length).fill(null)
    const raw = Array<Value>(values.length).fill(null)
    for (const at of places) {
      const middle = middlesOfOthers(at, others)
      for (const i of at) {
        usual[i] = middle(i)
        if (usual[i] !== null && ratios[i] !== null)
          raw[i] = takeOut(ratios[i]!, usual[i]!) - neutral
      }
    }
    const judged = raw.filter((value, i) => value !== null && !isFound.has(i)) as number[]
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
 * The median of the other values of a season, for each of its entries. They are sorted once: without one of
 * them the middle moves by a place at the most, which a search over every value pays for a hundred times over.
 *
 * @param entries of one season
 * @param values of the whole series, null = not there
 * @returns by entry; undefined with fewer others than are needed
 */
function middlesOfOthers(
  entries: readonly number[],
  values: readonly Value[],
): (entry: number) => Value {
  const present = entries.filter((i) => values[i] !== null)
  const sorted = present.sort((a, b) => values[a]! - values[b]!)
  const rank = new Map(sorted.map((entry, place) => [entry, place]))
  return (entry) => {
    const own = rank.get(entry) ?? sorted.length
    const count = sorted.length - (own < sorted.length ? 1 : 0)
    if (count < FEWEST_OTHERS) return null
    const at = (place: number) => values[sorted[place < own ? place : place + 1]!]!
    const half = count >> 1
    return count % 2 === 1 ? at(half) : (at(half - 1) + at(half)) / 2
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
