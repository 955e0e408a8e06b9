import { z } from 'zod'
import { smearing } from '../../core/forecast/backTransform'
import { predict, quantilesOf } from '../../core/forecast/regression/calculate'
import { seasonEffectsOf, seasonSlopesOf } from '../../core/forecast/regression/report'
import { Refusal } from '../../core/refusal'
import { powersOfTime, type DesignColumn } from '../../core/regression/design'
import { designCalendar } from '../../core/regression/designCalendar'
import { breakColumns, indicator, step } from '../../core/regression/regressors/events'
import { fitDesign, type DesignFit } from '../../core/regression/fitDesign'
import { regressionFigures, type Term } from '../../core/regression/report'
import {
  centredSeason,
  seasonColumns,
  type SeasonForm,
} from '../../core/regression/regressors/seasonForms'
import { TIME_CODE, type TimeVariable } from '../../core/regression/timeVariable'
import { stretchOf } from '../../core/series/stretch'
import { segmentSlopesOf } from '../../core/trend/leastSquares/report'
import { figure } from '../../core/words/figure'
import { readInput, seriesInput, seriesOf } from './input'

const period = z.int().min(1)
const numbers = z.array(z.number())
/** The model of a case: trend, season and other columns of a regression. */
export const modelInput = z.object({
  response: z.enum(['level', 'log']).default('level'),
  trend: z.object({
    form: z.enum(['none', 'linear', 'quadratic', 'cubic', 'polynomial', 'exponential', 'breaks']),
    degree: z.int().min(1).max(20).optional(),
    breaks: z.array(z.object({ t: period, level: z.boolean().default(false) })).default([]),
  }),
  season: z
    .object({
      form: z.enum(['none', 'dummies', 'effects', 'fourier', 'dummies-by-trend']),
      base: z.int().min(1).default(1),
      pairs: z.int().min(1).default(1),
    })
    .default({ form: 'none', base: 1, pairs: 1 }),
  indicators: z.array(z.object({ name: z.string(), t: period })).default([]),
  steps: z.array(z.object({ name: z.string(), t: period })).default([]),
  columns: z
    .array(z.object({ name: z.string(), values: numbers, future: numbers.default([]) }))
    .default([]),
  time: numbers.optional(),
  futureTime: numbers.optional(),
})
const schema = seriesInput.extend({
  model: modelInput,
  level: z.number().gt(0).lt(1).default(0.95),
  horizon: z.int().min(1).default(1),
  levels: z.array(z.number().gt(0).lt(1)).default([]),
})
type Input = z.infer<typeof schema>

const DEGREES = { none: 0, linear: 1, quadratic: 2, cubic: 3, exponential: 1, breaks: 1 } as const

/** A regression on trend, season and other columns, in the shape of the reference cases. */
export function calcRegression(input: unknown): unknown {
  return inReferenceWords(() => reportOf(readInput(schema, input)))
}

/** Its predictions, in the same shape. */
export function calcPredict(input: unknown): unknown {
  return inReferenceWords(() => predictionsOf(readInput(schema, input)))
}

/** A refusal by the reasons that the reference tells apart. */
function inReferenceWords(calculate: () => unknown): unknown {
  try {
    return calculate()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { because, names } = error
    const reason = names.columns
      ? 'rank-deficient'
      : names.t === undefined
        ? 'too-few-periods'
        : 'non-positive'
    if (error.where !== 'regression') throw error
    return { refused: true, reason, because, ...names, names }
  }
}

function fitOf({ y, m, start, model, unit }: Input) {
  const series = seriesOf({ y, m, start, unit })
  const calendar = designCalendar(series.calendar, start)
  const times = model.time && [...model.time, ...(model.futureTime ?? [])]
  const time: TimeVariable = times ? { ...TIME_CODE, at: (t) => times[t - 1] ?? NaN } : TIME_CODE
  const { form, degree, breaks } = model.trend
  const trend = [
    ...powersOfTime(form === 'polynomial' ? (degree ?? 1) : DEGREES[form], time),
    ...breaks.flatMap((at) => breakColumns(at, TIME_CODE, String(at.t))),
  ]
  const seasonForm = model.season as SeasonForm
  const season = seasonColumns(seasonForm, calendar, time).map((column) => ({
    ...column,
    name: column.name.replace('×', 'x'),
  }))
  const given = model.columns.map(({ name, values, future }): DesignColumn => ({
    name,
    label: name,
    means: name,
    at: (t) => values[t - 1] ?? future[t - 1 - values.length] ?? NaN,
  }))
  const columns = [
    ...trend,
    ...season,
    ...model.indicators.map(({ name, t }) => indicator(name, [{ from: t, to: t }])),
    ...model.steps.map(({ name, t }) => step(name, t)),
    ...given,
  ]
  const ofLog = model.response === 'log'
  const fitted = y.map((value, i) => {
    if (value === null || !ofLog) return value
    if (value > 0) return Math.log(value)
    throw new Refusal(
      `ln y needs every y above 0; y at ${i + 1} is ${figure(value)}.`,
      'regression',
      {
        t: i + 1,
      },
    )
  })
  const fit = fitDesign(fitted, 1, columns, 'regression')
  const design = {
    ...{ trend, season, events: [], all: columns },
    centredSeason: centredSeason(seasonForm, calendar, time),
  }
  return { fit, ofLog, design, series, seasonForm, calendar }
}

function reportOf(input: Input): unknown {
  const { fit, ofLog, design, series, seasonForm } = fitOf(input)
  const confidence = input.level * 100
  const figures = regressionFigures(fit, confidence)
  const describe = describeTerm(ofLog)
  const isEffects = seasonForm.form === 'effects'
  const isSeason = (j: number) =>
    j > design.trend.length && j <= design.trend.length + design.season.length
  const told = { stretch: stretchOf(series, 1, input.y.length), start: series.start }
  const segments = segmentSlopesOf({ fit }, String, confidence)
  const options = { season: seasonForm.form, base: input.model.season.base } as Parameters<
    typeof seasonSlopesOf
  >[2]['options']
  const slopes = seasonSlopesOf(fit, design, { ...told, options }, confidence)
  return {
    n: figures.n,
    parameters: fit.p,
    df: figures.df,
    columns: ['constant', ...fit.columns.map(({ name }) => name)],
    coefficients: figures.terms
      .filter((_, j) => !(isEffects && isSeason(j)))
      .map((term) => (term.name === 'constant' ? describeTerm(false)(term) : describe(term))),
    ...(isEffects
      ? { effects: seasonEffectsOf(fit, design, told, figures.terms, confidence).map(describe) }
      : {}),
    ...(segments.length > 0 ? { segmentSlopes: segments.map(describe) } : {}),
    ...(slopes.length > 0 ? { seasonSlopes: slopes.map(describe) } : {}),
    sse: figures.sse,
    sst: figures.sst,
    s: figures.s,
    r2: figures.r2,
    adjR2: figures.adjustedR2,
    f: figures.f,
    fDf: [fit.p - 1, figures.df],
    fP: figures.fp,
    aic: figures.aic,
    aicc: figures.aicc,
    bic: figures.bic,
    durbinWatson: figures.durbinWatson,
    ...atEveryPeriod(fit, ofLog),
  }
}

function atEveryPeriod(fit: DesignFit, ofLog: boolean) {
  const fitted = fit.residualsInTime.map((_, i) => fit.at(i + 1))
  return {
    fitted,
    residuals: fit.residualsInTime,
    ...(ofLog ? { smearing: smearing(fit.residuals), fittedMedian: fitted.map(Math.exp) } : {}),
  }
}

function describeTerm(ofLog: boolean) {
  return ({ name, estimate, standardError, t, p, lower, upper }: Term) => ({
    ...{ name, estimate, se: standardError, t, p, low: lower, high: upper },
    ...(ofLog
      ? { factor: Math.exp(estimate), factorLow: Math.exp(lower), factorHigh: Math.exp(upper) }
      : {}),
  })
}

/** @throws Refusal where the forecast periods are not told where they lie in time */
function requireFutureTime({ model: { time, futureTime = [] }, horizon }: Input): void {
  if (!time || futureTime.length >= horizon) return
  throw new Refusal(
    `The times are given, and of the ${horizon} periods ahead ${futureTime.length} have one. Give futureTime, one a period.`,
    'model.futureTime',
  )
}

function predictionsOf(input: Input): unknown {
  requireFutureTime(input)
  const { fit, ofLog, calendar } = fitOf(input)
  const { horizon, levels, y } = input
  const df = fit.n - fit.p
  const s = Math.sqrt(fit.sse / df)
  const smeared = smearing(fit.residuals)
  const quantiles = quantilesOf(
    fit,
    levels.map((level) => level * 100),
  )
  return {
    df,
    s,
    rows: Array.from({ length: horizon }, (_, i) => {
      const t = y.length + 1 + i
      const { eta, leverage, standardError, point, limits } = predict(fit, ofLog, t, quantiles)
      return {
        ...{ t, season: calendar.seasonOf(t), eta, leverage, sePrediction: standardError },
        ...(ofLog
          ? { median: point, mean: point * Math.exp(s ** 2 / 2), smearingMean: point * smeared }
          : { point }),
        limits: limits.map(({ lower, upper }, k) => ({
          level: levels[k],
          low: lower,
          high: upper,
        })),
      }
    }),
    ...(ofLog ? { smearing: smeared } : {}),
  }
}
