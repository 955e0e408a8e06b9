import { z } from 'zod'
import { axisOf } from '../../core/calendar/axis'
import { accuracyOf, forecastOf } from '../../core/check/accuracy'
import { coverageOfModel, type Held } from '../../core/check/coverage'
import {
  errorFigures,
  meanChange,
  naiveScale,
  type ErrorFigures,
} from '../../core/check/errorFigures'
import { checkTask, roll, type CheckTask, type Try } from '../../core/check/rolling'
import { calculate } from '../../core/calculate'
import { completeCheck } from '../../core/checkPlan'
import { WITHOUT_SEASON } from '../../core/decompose/ways'
import { BENCHMARKS, type Benchmark } from '../../core/forecast/benchmarks'
import { BACK_TRANSFORMS } from '../../core/forecast/commonOptions'
import type { MethodDocument } from '../../core/method'
import { Refusal } from '../../core/refusal'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import { readInput, seriesInput, seriesOf } from './input'
import { modelInput } from './regression'

/** The names of the reference for the method and the benchmarks. */
const NAMES: Readonly<Record<Benchmark, string>> = {
  lastValue: 'last',
  lastYear: 'seasonal',
  mean: 'mean',
  drift: 'drift',
}
const ALL = ['method', ...BENCHMARKS] as const

const values = z.array(z.number().nullable())
const given = z.object({
  mode: z.literal('given'),
  m: z.int().min(1).max(1000),
  training: values,
  actual: values,
  forecast: values,
})
const ofModel = seriesInput.extend({
  model: modelInput,
  levels: z.array(z.number().gt(0).lt(1)).default([]),
  backTransform: z.enum(BACK_TRANSFORMS).default('median'),
})
const holdout = ofModel.extend({ mode: z.literal('holdout'), holdout: z.int().min(1) })
const inSample = ofModel.extend({ mode: z.literal('in-sample') })
const accuracySchema = z.discriminatedUnion('mode', [given, holdout, inSample])
const rollingSchema = ofModel.extend({
  first: z.int().min(1).optional(),
  horizon: z.int().min(1).optional(),
  step: z.int().min(1).optional(),
})

/** Error figures of given forecasts, of the last periods held out, or of the values that a model was fitted to. */
export function calcAccuracy(input: unknown): unknown {
  const read = readInput(accuracySchema, input)
  switch (read.mode) {
    case 'given':
      return figuresOfGiven(read)
    case 'holdout':
      return figuresOfHoldout(read)
    case 'in-sample':
      return figuresOfFitted(read)
  }
}

function figuresOfGiven({ m, training, actual, forecast }: z.infer<typeof given>): unknown {
  if (actual.length !== forecast.length) {
    throw new Refusal(
      `There are ${actual.length} actual values and ${forecast.length} forecasts.`,
      'forecast',
    )
  }
  return {
    ...described(errorFigures(actual, forecast, naiveScale(training, m))),
    maseScale: meanChange(training, m),
  }
}

/** Of the fitted values of the whole span, in units of the series whatever was fitted. */
function figuresOfFitted(input: z.infer<typeof inSample>): unknown {
  const { y, m } = input
  const series = seriesOf(input)
  const { columns, ahead } = calculate(series, documentOf(input, series))
  // The column is the median; the point of a log model is what the back-transformation makes of it.
  const factor = 'backTransform' in ahead.interval ? ahead.interval.backTransform : 1
  const fitted = columns.fitted.map((value) => (value === null ? null : value * factor))
  return {
    ...described(errorFigures(y, fitted, naiveScale(y, m))),
    maseScale: meanChange(y, m),
  }
}

function figuresOfHoldout(input: z.infer<typeof holdout>): unknown {
  const trainingLength = input.y.length - input.holdout
  const [only] = triesOf(input, { first: trainingLength, horizon: input.holdout, step: 1 })
  if (!only) throw new Refusal('The model cannot be fitted to what is not held out.', 'model')
  const methods = ALL.map((of) => {
    const forecasts = forecastOf(only, of)
    const figures = { forecasts, ...described(errorFigures(only.actual, forecasts, only.scale)) }
    if (of !== 'method') return [NAMES[of], figures]
    const intervals = input.levels.map((level) => {
      const { lower, upper } = only.limits[percentOf(level)]!
      const { share } = coverageOfModel([only], percentOf(level)).pooled
      return { level, low: lower, high: upper, coverage: share }
    })
    return ['model', { ...figures, intervals }]
  })
  return { trainingLength, maseScale: only.scale, methods: Object.fromEntries(methods) }
}

/** Error figures by horizon and pooled, from every origin. */
export function calcRolling(input: unknown): unknown {
  const read = readInput(rollingSchema, input)
  const { levels } = read
  const { first, horizon, step } = planOf(read)
  const tries = triesOf(read, { first, horizon, step })
  const [earliest] = tries
  if (!earliest) throw new Refusal('The model cannot be fitted from any origin.', 'model')
  const nameOf = (of: (typeof ALL)[number]) => (of === 'method' ? 'model' : NAMES[of])
  return {
    ...{ first, horizon, step, origins: tries.length },
    firstOriginForecasts: Object.fromEntries(
      ALL.map((of) => [nameOf(of), forecastOf(earliest, of)]),
    ),
    methods: Object.fromEntries(
      ALL.map((of) => {
        const { byHorizon, pooled } = accuracyOf(tries, of)
        const coverage = levels.map((level) => coverageOfModel(tries, percentOf(level)))
        const held = (at: (one: (typeof coverage)[number]) => Held) =>
          of === 'method'
            ? coverage.map((one, k) => ({ level: levels[k]!, share: at(one).share }))
            : null
        return [
          nameOf(of),
          {
            byHorizon: byHorizon.map((figures, i) => ({
              ...{ h: figures.h, ...described(figures) },
              coverage: held((one) => one.byHorizon[i]!),
            })),
            pooled: { ...described(pooled), coverage: held((one) => one.pooled) },
          },
        ]
      }),
    ),
  }
}

/** What is not named takes the defaults of a check. @throws Refusal when no origin is left */
function planOf({ first, horizon, step, y, m }: z.infer<typeof rollingSchema>) {
  const plan = completeCheck(
    { rolling: { first, horizon, step } },
    { periods: y.length, seasons: m },
  )
  if (!plan) throw new Refusal(`${y.length} periods are too few to be checked.`, 'first')
  return plan.rolling
}

function described({ rmsePercentOfMean, ...figures }: ErrorFigures) {
  return { ...figures, rmsePercent: rmsePercentOfMean }
}

/** Levels are shares in the reference, per cent in a method. */
function percentOf(level: number): number {
  return Number((level * 100).toPrecision(12))
}

/** The forecasts of the model from every origin, all benchmarks alongside, errors scaled with the m of the case. */
function triesOf(
  input: z.infer<typeof ofModel>,
  rolling: NonNullable<NonNullable<MethodDocument['check']>['rolling']>,
): readonly Try[] {
  const series = seriesOf(input)
  const task = checkTask(series, documentOf(input, series), { rolling })
  const complete: CheckTask = { ...task!, alongside: BENCHMARKS }
  const { tries, passedOver } = roll(complete)
  if (tries.length === 0) throw new Refusal(passedOver[0]!.because, 'model')
  return tries.map((one) => ({ ...one, scale: one.commonScale }))
}

/** The model of a case as a method document; nothing is decomposed, since the regression stands alone. */
function documentOf(
  { model, levels, backTransform, y }: z.infer<typeof ofModel>,
  { calendar, start }: ReturnType<typeof seriesOf>,
): MethodDocument {
  if (model.columns.length > 0 || model.time || model.trend.form === 'polynomial') {
    throw new Refusal('Given columns, times and degrees belong to the kind regression.', 'model')
  }
  const code = axisOf({ calendar, start }).codeAt
  const ofLog = model.response === 'log'
  const { form, breaks } = model.trend
  const { season } = model
  return parseDocument(methodSchema, {
    format: 'elvant-method/1',
    ...WITHOUT_SEASON,
    trend: {
      // An exponential trend is a line through logarithms, as the response says already.
      form: form === 'exponential' ? 'linear' : form,
      ...(form === 'breaks'
        ? { breaks: breaks.map(({ t, level }) => ({ period: code(t), level })) }
        : {}),
    },
    forecast: {
      by: 'regression',
      horizon: Math.max(1, y.length),
      levels: levels.map(percentOf),
      model: ofLog ? 'multiplicative' : 'additive',
      season: season.form,
      ...(season.form === 'dummies' || season.form === 'dummies-by-trend'
        ? { base: season.base }
        : {}),
      ...(season.form === 'fourier' ? { pairs: season.pairs } : {}),
      indicators: model.indicators.map(({ name, t }) => ({ name, from: code(t) })),
      steps: model.steps.map(({ name, t }) => ({ name, from: code(t) })),
      ...(ofLog ? { backTransform } : {}),
    },
  })
}
