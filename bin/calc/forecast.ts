import { z } from 'zod'
import { periodAt } from '../../core/calendar/period'
import { forecastByDecomposition } from '../../core/forecast/byDecomposition/calculate'
import { Refusal } from '../../core/refusal'
import { fitTrend } from '../../core/trend/fit'
import { TREND_FORMS } from '../../core/trend/forms'
import { MODEL } from '../../core/model'
import { decompose, decompositionInput, describe } from './classical'
import { readInput, seriesInput, seriesOf } from './input'

const schema = seriesInput.extend({
  decomposition: decompositionInput,
  trend: z.object({
    form: z.string(),
    last: z.int().min(1).nullable().default(null),
    point: z.string().optional(),
  }),
  horizon: z.int().min(1),
  levels: z.array(z.number().gt(0).lt(100)),
  show_decomposition: z.boolean().default(false),
})

/** A forecast by decomposition with its limits, in the shape of the reference cases. */
export function calcForecast(input: unknown): unknown {
  const read = readInput(schema, input)
  if (read.trend.form !== 'linear') {
    throw new Refusal(
      `The trend form ${read.trend.form} is not available in this version.`,
      'trend.form',
    )
  }
  const series = seriesOf(read)
  const m = series.calendar.seasons
  const decomposition = decompose(series, read.decomposition)
  const firstT = read.decomposition.span?.first ?? 1
  const lastT = firstT + decomposition.deseasonalized.length - 1
  const trend = fitTrend(
    decomposition.deseasonalized,
    firstT,
    TREND_FORMS.linear.columns,
    read.trend.last ?? undefined,
  )
  const seasonAt = (t: number) => periodAt(series.start, t, m).season
  const { model } = read.decomposition
  const { indices, cost } = decomposition.season!
  const forecast = forecastByDecomposition(
    {
      ...{ model, trend, lastT, seasonCost: cost },
      indexAt: (t) => indices[seasonAt(t) - 1]!.index,
      uncertaintyAt: (t) => indices[seasonAt(t) - 1]!.uncertainty,
    },
    { horizon: read.horizon, levels: read.levels },
  )
  const deseasonalized = (limit: readonly (number | null)[]) =>
    limit.map((value, i) =>
      value === null ? null : MODEL[model].takeOut(value, forecast.index[i]!),
    )
  return {
    t: forecast.t,
    season: forecast.t.map(seasonAt),
    year: forecast.t.map((t) => periodAt(series.start, t, m).year),
    index: indices.map(({ index }) => index),
    trend: {
      scale: 'y',
      coefficients: trend.fit.coefficients,
      values_used: trend.fit.n,
      p: trend.fit.p,
      df: forecast.interval.df,
      s: forecast.interval.s,
      s_relative: forecast.interval.sRelative,
    },
    values_behind_index: forecast.t.map((t) => indices[seasonAt(t) - 1]!.count),
    deseasonalized_forecast: forecast.deseasonalized,
    forecast: forecast.forecast,
    intervals: read.levels.map((level) => {
      const { lower, upper } = forecast.limits[level]!
      return {
        level,
        t_quantile: forecast.interval.quantiles[level]!,
        deseasonalized_lower: deseasonalized(lower),
        deseasonalized_upper: deseasonalized(upper),
        lower,
        upper,
      }
    }),
    ...(read.show_decomposition
      ? { decomposition: describe(series, read.decomposition, decomposition) }
      : {}),
  }
}
