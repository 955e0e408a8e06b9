import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'
import { adviseModel } from '../seasonality/advisedModel'
import { levelToTheEnds } from './level'
import {
  countBeyond,
  firstLook,
  searchModel,
  type FirstLook,
  type Searched,
  type SearchedModel,
} from './search'
import { levelStep, type LevelStep } from './step'

/** A value that trend and season do not explain under either model. */
export interface Outlier {
  /** Entry, from 0. */
  readonly at: number
  /** By how much it departs from what they say: a share (multiplicative) or an amount. */
  readonly size: number
  /** What they say: the level there, and what its season makes of it (a factor, or an amount). */
  readonly expected: number
  readonly level: number
  readonly season: number
}

/** What was found out of the ordinary, before anything else is judged. */
export interface OutOfTheOrdinary {
  /** In the order of time. */
  readonly outliers: readonly Outlier[]
  readonly step: (LevelStep & { readonly model: Model }) | null
  /** The values with the outliers replaced, for all that is judged after them. */
  readonly replaced: readonly Value[]
  /** Whether an entry is an outlier. */
  isOutlier(entry: number): boolean
}

/** Times that level and replaced values are taken from each other. */
const PASSES = 3

/**
 * Outliers and a step of the level. Outliers are searched under both models, since the wrong one makes some of
 * its own: one is what both find. With a value that is not above 0 only the additive model is possible.
 *
 * A step is looked for under the model that fits: under the wrong one the season leaves a slow drift, which
 * looks like a step where the level is furthest from its mean.
 *
 * @param model the one in use: it says sizes
 * @param half half a year in periods, or half the order of the average without a season
 * @param cameIn whether the value of an entry came in, and was not filled
 */
export function outOfTheOrdinary(
  searched: Searched,
  model: Model,
  half: number,
  cameIn: (entry: number) => boolean = () => true,
): OutOfTheOrdinary {
  const isPositive = searched.values.every((value) => value === null || value > 0)
  const possible: readonly Model[] = isPositive ? ['additive', 'multiplicative'] : ['additive']
  const looks = possible.map((name) => firstLook(name, searched))
  // The wrong model finds one value after another that is none; it is searched only where it is asked.
  const searches = new Map<Model, SearchedModel>()
  const searchOf = (name: Model) => {
    const look = looks.find((one) => one.model === name)!
    const known = searches.get(name) ?? searchModel(look, searched)
    searches.set(name, known)
    return known
  }
  const inUse = possible.includes(model) ? model : 'additive'
  const first = searchOf(clearestOf(looks))
  const both = first.found.filter((at) =>
    possible.every((name) => searchOf(name).found.includes(at)),
  )
  const replaceAll = (entries: readonly number[]) =>
    entries.length === 0 ? [...searched.values] : replace(searched, entries, possible.map(searchOf))
  const withoutBoth = replaceAll(both)
  const advised = adviseModel(withoutBoth, searched.order)
  const fitting = searchOf(possible.find((name) => advised?.better === name) ?? inUse)
  const jump = levelStep(searched.values, fitting, half, cameIn)
  const step = jump && { ...jump, model: fitting.model }
  const found = both.filter((at) => !step || Math.abs(at - step.at) > half).sort((x, y) => x - y)
  const replaced = step ? replaceAll(found) : withoutBoth
  const levels = levelToTheEnds(replaced, searched.order)
  const outliers = found.flatMap((at): Outlier[] => {
    const { putBack, takeOut, neutral } = MODEL[inUse]
    const level = levels[at]!
    const usual = searchOf(inUse).usual[at] ?? null
    if (level === null || usual === null) return []
    const expected = putBack(level, usual)
    const value = searched.values[at]!
    const size = takeOut(value, expected) - neutral
    return [{ at, expected, size, level, season: usual }]
  })
  const isFound = new Set(found)
  return { outliers, step, replaced, isOutlier: (entry) => isFound.has(entry) }
}

/** The model under which the fewest values stand out at first sight. */
function clearestOf(looks: readonly FirstLook[]): Model {
  const counts = looks.map((look) => ({ name: look.model, count: countBeyond(look) }))
  return counts.reduce((best, one) => (one.count < best.count ? one : best)).name
}

/** Outliers replaced by the mean of what the models say, level and value taken from each other. */
function replace(
  { values, order }: Searched,
  found: readonly number[],
  models: readonly SearchedModel[],
): Value[] {
  let replaced = [...values]
  // The level of the search starts it off: there the found values are replaced already.
  let levels: readonly (readonly Value[])[] = models.map(({ level }) => level)
  for (let pass = 0; pass < PASSES && found.length > 0; pass++) {
    const next = [...values]
    for (const at of found) {
      const said = models.flatMap(({ model, usual }, k) => {
        const level = levels[k]![at] ?? null
        const season = usual[at] ?? null
        return level === null || season === null ? [] : [MODEL[model].putBack(level, season)]
      })
      if (said.length > 0) next[at] = said.reduce((sum, value) => sum + value, 0) / said.length
    }
    replaced = next
    const level = levelToTheEnds(replaced, order)
    levels = models.map(() => level)
  }
  return replaced
}
