import { z } from 'zod'
import { axisOf } from '../../core/calendar/axis'
import { forecastByDecomposition } from '../../core/forecast/byDecomposition/calculate'
import { BACK_TRANSFORMS } from '../../core/forecast/commonOptions'
import { MODEL } from '../../core/model'
import { designCalendar } from '../../core/regression/designCalendar'
import { TIME_CODE } from '../../core/regression/timeVariable'
import { fitTrend } from '../../core/trend/leastSquares/fit'
import { designOfTrend, FITTED_FORM_NAMES, FITTED_FORMS } from '../../core/trend/leastSquares/forms'
import { decompose, decompositionInput, describe } from './classical'
import { readInput, seriesInput, seriesOf } from './input'

const schema = seriesInput.extend({
  decomposition: decompositionInput,
  trend: z.object({
    form: z.enum(FITTED_FORM_NAMES),
    breaks: z.array(z.object({ t: z.int(), level: z.boolean().default(false) })).default([]),
    last: z.int().min(1).nullable().default(null),
    point: z.enum(BACK_TRANSFORMS).optional(),
  }),
  horizon: z.int().min(1),
  levels: z.array(z.number().gt(0).lt(100)),
  show_decomposition: z.boolean().default(false),
})

/** A forecast by decomposition with its limits, in the shape of the reference cases. */
export function calcForecast(input: unknown): unknown {
  const read = readInput(schema, input)
  const series = seriesOf(read)
  const axis = axisOf(series)
  const decomposition = decompose(series, read.decomposition)
  const firstT = read.decomposition.span?.first ?? 1
  const lastT = firstT + decomposition.deseasonalized.length - 1
  const { form, breaks, last } = read.trend
  const { ofLog } = FITTED_FORMS[form]
  const calendar = designCalendar(series.calendar, series.start)
  const columns = designOfTrend({ form, time: TIME_CODE, breaks }, calendar)
  const through = { columns, ofLog, last: last ?? undefined }
  const trend = fitTrend(decomposition.deseasonalized, firstT, through, axis.codeAt)
  const { model } = read.decomposition
  const { indices, cost } = decomposition.season!
  const { ahead: forecast } = forecastByDecomposition(
    {
      ...{ model, trend, lastT, hasSeason: true, seasonCost: cost, index: decomposition.index },
      costBefore: 0,
      indexAt: (t) => indices[axis.seasonOf(t) - 1]!.index,
      uncertaintyAt: (t) => indices[axis.seasonOf(t) - 1]!.uncertainty,
    },
    { horizon: read.horizon, levels: read.levels, backTransform: read.trend.point },
  )
  const deseasonalized = (limit: readonly (number | null)[]) =>
    limit.map((value, i) =>
      value === null ? null : MODEL[model].takeOut(value, forecast.index[i]!),
    )
  return {
    t: forecast.t,
    season: forecast.t.map(axis.seasonOf),
    year: forecast.t.map(axis.yearOf),
    index: indices.map(({ index }) => index),
    trend: {
      scale: ofLog ? 'ln y' : 'y',
      coefficients: trend.fit.coefficients,
      values_used: trend.fit.n,
      p: trend.fit.p,
      df: forecast.interval.df,
      s: forecast.interval.s,
      s_relative: forecast.interval.sRelative,
    },
    values_behind_index: forecast.t.map((t) => indices[axis.seasonOf(t) - 1]!.count),
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
