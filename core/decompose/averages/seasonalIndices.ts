import { mean, median, trimmedMean } from '../../statistics/average'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { takeOut, type Model } from '../../model'

/** How one season's values over the years become one index. */
export const INDEX_AVERAGES = ['mean', 'median', 'trimmed-mean'] as const
export type IndexAverage = (typeof INDEX_AVERAGES)[number]

/** The averaging behind each name. */
export const AVERAGE: Record<IndexAverage, (values: readonly number[]) => number | null> = {
  mean,
  median,
  'trimmed-mean': trimmedMean,
}

/** The index of one season, before and after adjustment. */
export interface SeasonalIndex {
  /** 1..m */
  readonly season: number
  /** Values behind the index. */
  readonly count: number
  readonly raw: number
  readonly index: number
}

/** The indices of all seasons with the adjustment that was made. */
export interface SeasonalIndices {
  /** Season 1 first. */
  readonly seasons: readonly SeasonalIndex[]
  /** What every raw index is divided by (multiplicative) or lessened by (additive); null by loess. */
  readonly rawIndexMean: Value
  readonly untrimmed: SeasonAverages['untrimmed']
}

/** Each season's average with the number of values behind it, season 1 first. */
export interface SeasonAverages {
  readonly averages: readonly number[]
  readonly counts: readonly number[]
  /** Seasons whose trimmed mean had too few values to trim and is a plain mean. */
  readonly untrimmed: readonly number[]
}

/**
 * Averages a list season by season.
 *
 * @param stretch tells the season of each entry
 * @param values one a period of the stretch, null = undefined and passed over
 * @param choices how to average, and the time codes to leave out
 * @throws Refusal naming every season that has no value left
 * @example values 1.2, 0.6, 1.4, 0.8 of seasons 1, 2, 1, 2 average to 1.3 and 0.7
 */
export function averageOfEverySeason(
  stretch: Stretch,
  values: readonly Value[],
  choices: { readonly average: IndexAverage; readonly exclude: ReadonlySet<number> },
): SeasonAverages {
  const lists: number[][] = Array.from({ length: stretch.calendar.seasons }, () => [])
  values.forEach((value, i) => {
    const leftOut = choices.exclude.has(stretch.firstT + i)
    if (value !== null && !leftOut) lists[stretch.seasonOf[i]! - 1]!.push(value)
  })
  const averages = lists.map((list) => AVERAGE[choices.average](list))
  requireEverySeason(stretch, averages)
  return {
    averages,
    counts: lists.map((list) => list.length),
    untrimmed:
      choices.average === 'trimmed-mean'
        ? lists.flatMap((list, k) => (list.length < 3 ? [k + 1] : []))
        : [],
  }
}

function requireEverySeason(
  stretch: Stretch,
  averages: readonly Value[],
): asserts averages is readonly number[] {
  const empty = averages.flatMap((value, k) => (value === null ? [k + 1] : []))
  if (empty.length === 0) return
  const names = empty.map((season) => stretch.seasonName(season)).join(', ')
  throw new Refusal(
    `No value is left to average for ${names}: an index needs at least one that is neither missing, nor without a moving average, nor left out.`,
    'decompose.exclude',
    { seasons: empty },
  )
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
    index: adjust ? raw.map((value) => takeOut(model, value, rawIndexMean)) : [...raw],
    rawIndexMean,
  }
}
