import { z } from 'zod'
import { axisOf } from '../../core/calendar/axis'
import { seasonColumn, seasonOrder, tableYear } from '../../core/calendar/tableYear'
import { decomposeByAverages, type AveragesTaken } from '../../core/decompose/averages/calculate'
import { AVERAGES_WAYS } from '../../core/decompose/averages/options'
import type { Decomposed } from '../../core/decompose/parts'
import { MODEL, MODELS, type Model } from '../../core/model'
import { trendLine, type TrendLine } from '../../core/trend/leastSquares/fit'
import { regressionFigures } from '../../core/regression/report'
import type { Series, Value } from '../../core/series/series'
import { stretchOf, type Stretch } from '../../core/series/stretch'
import { readInput, seriesInput, seriesOf } from './input'
import { beforeCentring } from './movingAverage'

/** The options of a decomposition, as `calc` inputs write them. */
export const decompositionInput = z.object({
  model: z.enum(MODELS),
  method: z.enum(AVERAGES_WAYS),
  index_average: z.enum(['mean', 'median', 'trimmed']).default('mean'),
  exclude: z.array(z.object({ t: z.int(), reason: z.string() })).default([]),
  adjust: z.boolean().default(true),
  span: z.object({ first: z.int().min(1), last: z.int().min(1) }).optional(),
  fiscal_year_first_season: z.int().min(1).optional(),
})
export type DecompositionInput = z.infer<typeof decompositionInput>

const schema = z.intersection(seriesInput, decompositionInput)

/** A classical decomposition with every column, in the shape of the reference cases. */
export function calcClassical(input: unknown): unknown {
  const read = readInput(schema, input)
  const series = seriesOf(read, read.fiscal_year_first_season)
  return describe(series, read, decompose(series, read))
}

/** Runs the decomposition that an input asks for. */
export function decompose(series: Series, input: DecompositionInput): Decomposed<AveragesTaken> {
  return decomposeByAverages(
    stretchOfInput(series, input),
    {
      by: input.method,
      model: input.model,
      average: input.index_average === 'trimmed' ? 'trimmed-mean' : input.index_average,
      adjust: input.adjust,
      exclude: [],
    },
    new Set(input.exclude.map(({ t }) => t)),
  )
}

/** All columns and figures of a decomposition under the reference names. */
export function describe(
  series: Series,
  input: DecompositionInput,
  decomposition: Decomposed<AveragesTaken>,
): Record<string, unknown> {
  const stretch = stretchOfInput(series, input)
  const { firstT, values, seasonOf } = stretch
  const { taken, trendCycle, deseasonalized } = decomposition
  const { indices } = decomposition.season!
  const straightTrend = trendLine(deseasonalized, firstT)
  const line = values.map((_, i) => straightTrend.at(firstT + i))
  return {
    t: values.map((_, i) => firstT + i),
    season: seasonOf,
    year: values.map((_, i) => axisOf(series).yearOf(firstT + i)),
    before_centring:
      'offCentre' in taken && taken.offCentre
        ? beforeCentring(values, series.calendar.seasons, firstT)
        : null,
    ...('seasonMeans' in taken
      ? { season_mean: taken.seasonMeans, overall_mean: taken.overallMean }
      : {}),
    ...('line' in taken ? { trend_of_original: taken.line } : {}),
    trend_cycle: trendCycle,
    seasonal_irregular: taken.seasonalIrregular,
    included: indices.map(({ count }) => count),
    raw_index: indices.map(({ raw }) => raw),
    trimmed_fell_back_to_mean: taken.untrimmed,
    raw_index_mean: taken.rawIndexMean,
    adjusted: input.adjust,
    index: indices.map(({ index }) => index),
    deseasonalized,
    irregular: decomposition.irregular,
    recomposed: decomposition.recomposed,
    straight_trend: lineOf(straightTrend),
    straight_line: line,
    cycle: trendCycle.map((value, i) => ratio(input.model, value, line[i]!)),
    r_squared: {
      original: rSquared(trendLine(values, firstT)),
      deseasonalized: rSquared(straightTrend),
    },
    ...(input.fiscal_year_first_season
      ? { fiscal_table: fiscalTable(series, stretch, taken.seasonalIrregular) }
      : {}),
  }
}

function stretchOfInput(series: Series, { span }: DecompositionInput): Stretch {
  return stretchOf(series, span?.first ?? 1, span?.last ?? series.values.length)
}

function ratio(model: Model, value: Value, line: number): Value {
  return value === null ? null : MODEL[model].takeOut(value, line)
}

function lineOf({ intercept, slope }: TrendLine) {
  return { intercept, slope }
}

function rSquared(line: TrendLine): Value {
  return regressionFigures(line.fit).r2
}

/** Values and seasonal-irregulars laid out by fiscal year, seasons in the order of that year. */
function fiscalTable(series: Series, stretch: Stretch, seasonalIrregular: readonly Value[]) {
  const { calendar, periodAt } = axisOf(series)
  const periods = stretch.values.map((_, i) => periodAt(stretch.firstT + i))
  const years = periods.map((period) => tableYear(period, calendar))
  const first = years[0]!
  const rows = years.at(-1)! - first + 1
  const grid = (values: readonly Value[]) => {
    const table = Array.from({ length: rows }, () => Array<Value>(calendar.seasons).fill(null))
    values.forEach((value, i) => {
      table[years[i]! - first]![seasonColumn(periods[i]!.season, calendar)] = value
    })
    return table
  }
  return {
    year: Array.from({ length: rows }, (_, i) => first + i),
    season_order: seasonOrder(calendar),
    y: grid(stretch.values),
    seasonal_irregular: grid(seasonalIrregular),
  }
}
