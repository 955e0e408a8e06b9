import { trendLine } from '../../trend/trendLine'
import type { Value } from '../../series/series'
import { offCentreAverages } from '../../smoothing/movingAverage'
import type { Stretch } from '../../series/stretch'
import type { Decomposition } from '../decomposition'
import { departure } from './departure'
import { putBack, takeOut, type Model } from '../../model'
import { requirePositive, requireTwoYears } from '../requirements'
import { adjustIndices, averageOfEverySeason, type IndexAverage } from './seasonalIndices'

/** The three ways to find what the season departs from. */
export const CLASSICAL_WAYS = [
  'ratio-to-moving-average',
  'simple-averages',
  'ratio-to-trend',
] as const
export type ClassicalWay = (typeof CLASSICAL_WAYS)[number]

/** The choices of a classical decomposition. */
export interface ClassicalChoices {
  readonly by: ClassicalWay
  readonly model: Model
  readonly average: IndexAverage
  /** Adjust the indices to average 1 or sum to 0. */
  readonly adjust: boolean
  /** Time codes whose value is left out of its season's average. */
  readonly exclude: ReadonlySet<number>
}

/**
 * Classical decomposition of a stretch of a series.
 *
 * The trend-cycle T is taken out of the data, what is left is averaged season by season, the
 * averages are adjusted, and with the index S of each season the rest follows:
 * deseasonalized y/S, irregular y/(T·S), recomposed T·S (or with − and + for the additive model).
 *
 * - *Ratio to moving average*: T is the centred average of order m, undefined in the first and
 *   last ⌊m/2⌋ periods.
 * - *Ratio to trend*: T is the least-squares line through y.
 * - *Simple averages*: a season's average against the mean of the m season averages, not against
 *   the mean of all values, which would lean to the seasons that occur more often; T is the line
 *   through the deseasonalized series.
 *
 * @param stretch values, seasons and names of the periods
 * @param choices see {@link ClassicalChoices}
 * @throws Refusal below two years, for a value not above 0 in a multiplicative model, for a trend
 *   line that is not above 0 in ratio to trend, for a season left without a value
 * @see Macaulay, F. R. (1931), The Smoothing of Time Series, NBER (ratio to moving average)
 * @see Croxton, F. E. & Cowden, D. J. (1955), Applied General Statistics, 2nd ed., ch. 14
 * @example On the quarters 46, 74, 83, 41 of 2021 with averages 59.5, 60.75, 61.5, 62.625 the
 *   ratios are 0.7731, 1.2181, 1.3496, 0.6547.
 */
export function decomposeClassically(stretch: Stretch, choices: ClassicalChoices): Decomposition {
  const { values, firstT, seasonOf, calendar } = stretch
  const { by, model } = choices
  requireTwoYears(stretch)
  if (model === 'multiplicative') requirePositive(stretch)
  const without = (component: readonly Value[]) =>
    values.map((value, i) => takeOutWhereDefined(model, value, component[i]!))

  const { from, isTrendCycle, trendOfOriginal, seasonMeans } = departure(stretch, choices)
  const seasonalIrregular = without(from)
  const raw = averageOfEverySeason(stretch, seasonalIrregular, choices)
  const adjusted = adjustIndices(raw.averages, model, choices.adjust)

  const index = seasonOf.map((season) => adjusted.index[season - 1]!)
  const deseasonalized = without(index)
  const straightTrend = trendLine(deseasonalized, firstT)
  const trendCycle = isTrendCycle ? from : values.map((_, i) => straightTrend.at(firstT + i))
  const recomposed = trendCycle.map((trend, i) =>
    trend === null ? null : putBack(model, trend, index[i]!),
  )
  return {
    movingAverage:
      by === 'ratio-to-moving-average' && calendar.seasons % 2 === 0
        ? offCentreAverages(values, calendar.seasons)
        : null,
    trendCycle,
    seasonalIrregular,
    indices: {
      seasons: adjusted.index.map((value, k) => ({
        season: k + 1,
        count: raw.counts[k]!,
        raw: raw.averages[k]!,
        index: value,
      })),
      rawIndexMean: adjusted.rawIndexMean,
      untrimmed: raw.untrimmed,
    },
    index,
    deseasonalized,
    irregular: without(recomposed),
    recomposed,
    straightTrend,
    trendOfOriginal,
    seasonMeans,
  }
}

function takeOutWhereDefined(model: Model, value: Value, component: Value): Value {
  return value === null || component === null ? null : takeOut(model, value, component)
}
