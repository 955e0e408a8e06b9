import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { trendLine } from '../../trend/leastSquares/fit'
import { partsOf, without, type Decomposed } from '../parts'
import { requirePositive, requireSeasons, requireTwoYears } from '../requirements'
import { departure, type OwnOfAverages } from './departure'
import { areGiven, type AveragesOptions } from './options'
import { adjustIndices, averageOfEverySeason } from '../seasonalIndices'

/** What a decomposition by averages finds beside the parts. */
export type AveragesTaken = OwnOfAverages & {
  readonly seasonalIrregular: readonly Value[]
  /** What every raw index is divided by (multiplicative) or lessened by (additive). */
  readonly rawIndexMean: number
  /** Seasons whose trimmed mean had too few values to trim and is a plain mean. */
  readonly untrimmed: readonly number[]
}

/**
 * Classical decomposition of a stretch of a series.
 *
 * The level that the season departs from is taken out of the data, what is left is averaged season by
 * season, the averages are adjusted, and with the index S of each season the rest follows.
 *
 * - *Ratio to moving average*: the level is the centred average of order m, undefined in the first and
 *   last ⌊m/2⌋ periods; it is the trend-cycle.
 * - *Ratio to trend*: it is the least-squares line through y.
 * - *Simple averages*: a season's average against the mean of the m season averages; the trend-cycle is the
 *   line through the deseasonalized series.
 *
 * Indices that are given stand in place of the averages; two years are then not needed.
 *
 * @param stretch values, seasons and names of the periods
 * @param options complete
 * @param leftOut time codes whose value is left out of its season's average
 * @throws Refusal below two years without given indices, for a value not above 0 in a multiplicative model, for a trend
 *   line that is not above 0 in ratio to trend, for a season left without a value
 * @see Macaulay, F. R. (1931), The Smoothing of Time Series, NBER (ratio to moving average)
 * @see Croxton, F. E. & Cowden, D. J. (1955), Applied General Statistics, 2nd ed., ch. 14
 * @example On the quarters 46, 74, 83, 41 of 2021 with averages 59.5, 60.75, 61.5, 62.625 the
 *   ratios are 0.7731, 1.2181, 1.3496, 0.6547.
 */
export function decomposeByAverages(
  stretch: Stretch,
  options: AveragesOptions,
  leftOut: ReadonlySet<number> = new Set(),
): Decomposed<AveragesTaken> {
  const { values, firstT, seasonOf, calendar } = stretch
  const { model, adjust } = options
  if (areGiven(options)) requireSeasons(stretch)
  else requireTwoYears(stretch)
  if (model === 'multiplicative') requirePositive(stretch)

  const { level, isTrendCycle, own } = departure(stretch, options, leftOut)
  const seasonalIrregular = without(values, level, model)
  const raw = areGiven(options)
    ? { averages: options.indices.given, counts: null, untrimmed: [] }
    : averageOfEverySeason(stretch, seasonalIrregular, options.average, leftOut)
  const { index: bySeason, rawIndexMean } = adjustIndices(raw.averages, model, adjust)
  const index = seasonOf.map((season) => bySeason[season - 1]!)

  const trendCycle = isTrendCycle ? level : lineThrough(without(values, index, model), firstT)
  const season = {
    seasonalIrregular,
    indices: bySeason.map((value, k) => ({
      season: k + 1,
      count: raw.counts?.[k] ?? null,
      raw: raw.averages[k]!,
      index: value,
      uncertainty: raw.counts ? 1 / raw.counts[k]! : 0,
    })),
    // Indices that are given take nothing from what the series can tell.
    cost: raw.counts ? calendar.seasons - 1 : 0,
  }
  return {
    ...partsOf(values, model, { trendCycle, index, season }),
    taken: { ...own, seasonalIrregular, rawIndexMean, untrimmed: raw.untrimmed },
  }
}

function lineThrough(values: readonly Value[], firstT: number): number[] {
  const { at } = trendLine(values, firstT)
  return values.map((_, i) => at(firstT + i))
}
