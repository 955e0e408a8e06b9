import { MODEL, type Model } from '../model'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { mean, median, trimmedMean } from '../statistics/average'

/** How one season's values over the years become one index. */
export const INDEX_AVERAGES = ['mean', 'median', 'trimmed-mean'] as const
export type IndexAverage = (typeof INDEX_AVERAGES)[number]

/** The averaging behind each name. */
export const AVERAGE: Record<IndexAverage, (values: readonly number[]) => number | null> = {
  mean,
  median,
  'trimmed-mean': trimmedMean,
}

/** Each season's average with the number of values behind it, season 1 first. */
export interface SeasonAverages {
  readonly averages: readonly number[]
  readonly counts: readonly number[]
  /** Seasons whose trimmed mean had too few values to trim and is a plain mean. */
  readonly untrimmed: readonly number[]
}

/**
 * Each season's own values over the years, season 1 first.
 *
 * @param values one a period of the stretch, null = undefined and passed over
 * @param leftOut time codes that are passed over too
 */
export function valuesOfSeasons(
  { firstT, seasonOf, calendar }: Stretch,
  values: readonly Value[],
  leftOut: ReadonlySet<number>,
): number[][] {
  const lists: number[][] = Array.from({ length: calendar.seasons }, () => [])
  values.forEach((value, i) => {
    if (value !== null && !leftOut.has(firstT + i)) lists[seasonOf[i]! - 1]!.push(value)
  })
  return lists
}

/**
 * Averages a list season by season.
 *
 * @param stretch tells the season of each entry
 * @param values one a period of the stretch, null = undefined and passed over
 * @param average how to average
 * @param leftOut time codes to leave out
 * @throws Refusal naming every season that has no value left
 * @example values 1.2, 0.6, 1.4, 0.8 of seasons 1, 2, 1, 2 average to 1.3 and 0.7
 */
export function averageOfEverySeason(
  stretch: Stretch,
  values: readonly Value[],
  average: IndexAverage,
  leftOut: ReadonlySet<number>,
): SeasonAverages {
  const lists = valuesOfSeasons(stretch, values, leftOut)
  const averages = lists.map((list) => AVERAGE[average](list))
  requireEverySeason(stretch, averages, leftOut)
  return {
    averages,
    counts: lists.map((list) => list.length),
    untrimmed:
      average === 'trimmed-mean'
        ? lists.flatMap((list, k) => (list.length < 3 ? [k + 1] : []))
        : [],
  }
}

function requireEverySeason(
  stretch: Stretch,
  averages: readonly Value[],
  leftOut: ReadonlySet<number>,
): asserts averages is readonly number[] {
  const empty = averages.flatMap((value, k) => (value === null ? [k + 1] : []))
  if (empty.length === 0) return
  // A season without any value takes the averages of a whole year with it: it is the cause, not they.
  const valueless = empty.filter(
    (season) =>
      !stretch.values.some((value, i) => value !== null && stretch.seasonOf[i] === season),
  )
  if (valueless.length > 0) {
    throw new Refusal(
      `There is no value at all in ${namesOf(stretch, valueless)}: an index needs one, and so does every average over a year.`,
      'series.values',
      { seasons: valueless },
    )
  }
  const names = namesOf(stretch, empty)
  throw new Refusal(
    `No value is left to average for ${names}: an index needs at least one that is neither missing, nor without a moving average, nor left out.`,
    leftOut.size > 0 ? 'decompose.exclude' : 'series.values',
    { seasons: empty },
  )
}

function namesOf(stretch: Stretch, seasons: readonly number[]): string {
  return seasons.map((season) => stretch.seasonName(season)).join(', ')
}

/**
 * Adjusts raw indices so that they average 1 (multiplicative) or sum to 0 (additive): a season is
 * a departure from the baseline, and must not lift or lower the whole year.
 *
 * @param raw one raw index a season, season 1 first
 * @param model divides by the mean of the raw indices, or subtracts it
 * @param adjust false leaves the raw indices as they are; their mean is reported all the same
 * @see Shiskin, J., Young, A. H. & Musgrave, J. C. (1967), Bureau of the Census Technical Paper 15
 * @example adjustIndices([1.2, 0.6], 'multiplicative', true) // { index: [1.333…, 0.667…], rawIndexMean: 0.9 }
 */
export function adjustIndices(
  raw: readonly number[],
  model: Model,
  adjust: boolean,
): { index: number[]; rawIndexMean: number } {
  const rawIndexMean = mean(raw)!
  return {
    index: adjust ? raw.map((value) => MODEL[model].takeOut(value, rawIndexMean)) : [...raw],
    rawIndexMean,
  }
}
