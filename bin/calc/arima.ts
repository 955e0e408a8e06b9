import { z } from 'zod'
import { residualsOf } from '../../core/arima/model'
import { testArimaResiduals } from '../../core/arima/residuals'
import type { ChosenDifferences } from '../../core/arima/firstDifferences'
import { chooseDifferences } from '../../core/forecast/arima/differences'
import { Refusal } from '../../core/refusal'
import type { Value } from '../../core/series/series'
import { chooseOrders, type TriedModel } from '../../core/stateSpace/arima/choose'
import { arimaColumns, ofTheSpan, type KnownColumn } from '../../core/stateSpace/arima/columns'
import { fitArima, fitWith, type ArimaFit } from '../../core/stateSpace/arima/fit'
import { arimaAhead, missingEstimates } from '../../core/stateSpace/arima/forecast'
import type { ArimaData } from '../../core/stateSpace/arima/likelihood'
import { constantAllowed, type ArmaCoefficients } from '../../core/stateSpace/arima/order'
import { normalQuantile } from '../../core/statistics/distributions'
import { backFrom, meanOverMedian, transformed } from '../../core/transform/boxCox'
import { choosePower } from '../../core/transform/guerrero'
import { finish } from '../../core/work/steps'
import { readInput, seriesOf } from './input'

const MOST_ORDER = 12
const term = z.int().min(0).max(MOST_ORDER)
const difference = z.int().min(0).max(2)
const list = z.array(z.number())
const dataInput = z.object({
  values: z.array(z.number().nullable()).min(1),
  m: z.int().min(1).max(1000),
  lambda: z.number().optional(),
})
const modelInput = dataInput.extend({
  order: z.object({ p: term, d: difference, q: term, P: term, D: difference, Q: term }),
  constant: z.enum(['none', 'mean', 'drift']),
  regressors: z
    .array(
      z.object({
        name: z.string(),
        values: z.array(z.number().nullable()),
        future: list.optional(),
      }),
    )
    .default([]),
})
const parameters = z.object({
  ...{ ar: list, ma: list, sar: list, sma: list },
  constant: z.number().nullable(),
  regressors: list,
  sigma2: z.number().positive(),
})
const givenInput = modelInput.extend({ parameters })
const forecastInput = givenInput.extend({
  horizon: z.int().min(1).max(1000),
  levels: z.array(z.number().gt(0).lt(100)),
})
const search = z.object({ p: term, q: term, P: term, Q: term, total: z.int().min(0).max(48) })
const autoInput = dataInput.extend({ search, seasonal: z.boolean() })

type ModelInput = z.infer<typeof modelInput>
type Given = z.infer<typeof givenInput>

/** The kind of an input that does not say it: its keys do. */
export function arimaKind(input: unknown): string {
  const has = (key: string) => typeof input === 'object' && input !== null && key in input
  if (has('search')) return 'auto'
  if (!has('order')) return 'differences'
  if (!has('parameters')) return 'optimum'
  if (!has('horizon')) return 'loglik'
  return has('lambda') ? 'boxcox' : 'forecast'
}

/** The likelihood of a model whose parameters are given. */
export function calcLogLikelihood(input: unknown): unknown {
  const read = readInput(givenInput, input)
  const fit = fitGiven(read)
  const { sigma2 } = read.parameters
  const { count, logDeterminant, sumOfSquares } = fit
  return {
    n: read.values.length,
    N: count,
    logDeterminant,
    sumOfSquares,
    logLik: -(count * Math.log(2 * Math.PI * sigma2) + logDeterminant + sumOfSquares / sigma2) / 2,
    concentratedLogLik: fit.logLikelihood,
    sigma2Hat: fit.sigma2,
    predictionError: fit.errors,
    predictionVariance: fit.variances,
    residual: residualsOf(fit),
  }
}

/** A model fitted by exact maximum likelihood. */
export function calcArimaOptimum(input: unknown): unknown {
  const read = readInput(modelInput, input)
  const fit = fitArima(dataOf(read), 'order')
  const errors = fit.standardErrors()
  const hasConstant = read.constant !== 'none'
  return {
    N: fit.count,
    k: fit.k,
    logLik: fit.logLikelihood,
    parameters: split(fit.coefficients, fit.beta, hasConstant),
    standardErrors: errors && split(errors, errors.beta, hasConstant),
    sigma2: fit.sigma2,
    s2: fit.s2,
    ...{ aic: fit.aic, aicc: fit.aicc, bic: fit.bic },
    ...{ arRoot: fit.arRoot, maRoot: fit.maRoot },
    ljungBox: wavesOf(fit, read.m),
  }
}

/** Forecasts of a model whose parameters are given, and its missing values. */
export function calcArimaForecast(input: unknown): unknown {
  const read = readInput(forecastInput, input)
  const { point, standardError } = ahead(read)
  const { sigma2 } = read.parameters
  const missing = missingEstimates(dataOf(read), modelOf(read)) ?? []
  return {
    point,
    standardError,
    limits: limitsOf(read.levels, point, standardError, (z) => z),
    missingEstimates: missing.map(({ at, estimate, spread }) => ({
      t: at + 1,
      estimate,
      standardError: spread * Math.sqrt(sigma2),
    })),
  }
}

/** A power that is chosen, and a forecast under one that is given. */
export function calcArimaBoxCox(input: unknown): unknown {
  const read = readInput(forecastInput.required({ lambda: true }), input)
  const { lambda } = read
  const { point: z, standardError } = ahead(read)
  const median = z.map((one) => backFrom(one, lambda))
  return {
    guerrero: choosePower(read.values, read.m),
    transformed: onScale(read),
    forecast: {
      z,
      standardError,
      median,
      mean: median.map((one, i) =>
        one === null ? null : one * meanOverMedian(z[i]!, lambda, standardError[i]!),
      ),
      limits: limitsOf(read.levels, z, standardError, (one) => backFrom(one, lambda)),
    },
  }
}

/** How often to difference. */
export function calcDifferences(input: unknown): unknown {
  return differencesOut(differencesOf(readInput(dataInput, input), true))
}

/** Differences and orders chosen: every model up to a total, and the walk. */
export function calcAuto(input: unknown): unknown {
  const read = readInput(autoInput, input)
  const { seasonal, m } = read
  const chosen = differencesOf(read, seasonal)
  const { p, q, total, ...season } = read.search
  const isSeasonal = seasonal && m > 1
  const asked = {
    values: onScale(read),
    beside: [],
    firstT: 1,
    seasons: m,
    ...{ d: chosen.d, D: chosen.D },
    limits: { p, q, ...(isSeasonal ? season : { P: 0, Q: 0 }) },
  }
  const walk = finish(chooseOrders({ ...asked, total: null }, 'search'))
  const full = finish(chooseOrders({ ...asked, total }, 'search'))
  const names = new Set(full.tried.map(({ name }) => name))
  const models = [...full.tried, ...walk.tried.filter(({ name }) => !names.has(name))].sort(
    (a, b) => (a.fit?.aicc ?? Infinity) - (b.fit?.aicc ?? Infinity),
  )
  const best = models.find(({ because }) => because === null)!
  return {
    choice: differencesOut(chosen),
    constantAllowed: constantAllowed(chosen),
    N: best.fit!.count,
    winner: best.name,
    winnerAicc: best.fit!.aicc,
    stepwise: {
      model: walk.taken.name,
      aicc: walk.taken.fit!.aicc,
      modelsVisited: walk.tried.length,
    },
    models: models.filter(({ fit }) => fit !== null).map(tableRow),
  }
}

function tableRow({ name, order, constant, fit, because }: TriedModel) {
  const own = fit!
  return {
    ...{ model: name, order, constant },
    parameters: {
      ...split(own.coefficients, own.beta, constant !== 'none'),
      sigma2: own.sigma2,
    },
    ...{ k: own.k, logLik: own.logLikelihood, aicc: own.aicc },
    ...{ arRoot: own.arRoot, maRoot: own.maRoot, admitted: because === null },
  }
}

function differencesOf(read: z.infer<typeof dataInput>, isSeasonal: boolean): ChosenDifferences {
  const y = onScale(read)
  const series = seriesOf({ unit: '', m: read.m, start: { cycle: 1, season: 1 }, y: [...y] })
  return chooseDifferences(series, [], isSeasonal)
}

function differencesOut({ tests, ...chosen }: ChosenDifferences) {
  return { ...chosen, kpss: tests }
}

/** The values on the scale of the model. */
function onScale({ values, lambda }: z.infer<typeof dataInput>): readonly Value[] {
  if (lambda === undefined) return values
  return values.map((value, i) => {
    if (value === null) return null
    if (value > 0) return transformed(value, lambda)
    throw new Refusal(
      `A power needs values above 0; value ${i + 1} is ${value}. Take none.`,
      'lambda',
      { t: i + 1 },
    )
  })
}

function columnsOf(read: ModelInput, horizon: number): KnownColumn[] {
  const { constant, regressors, values } = read
  requireConstant(read)
  const beside = regressors.map(({ name, values: own, future = [] }): KnownColumn => {
    const gap = own.findIndex((one) => one === null)
    if (own.length !== values.length || gap >= 0 || future.length < horizon) {
      const what =
        future.length < horizon && own.length === values.length && gap < 0
          ? `lacks values for the ${horizon} forecast periods`
          : 'has a gap'
      throw new Refusal(`The column ${name} ${what}. Complete it, or take it out.`, 'regressors', {
        column: name,
      })
    }
    return { name, values: own as number[], future }
  })
  return arimaColumns(constant, beside, { length: values.length, firstT: 1, horizon })
}

function requireConstant({ constant, order }: ModelInput): void {
  if (constant === 'none' || constantAllowed(order) === constant) return
  throw new Refusal(
    constant === 'mean'
      ? 'A mean goes with no differences. Take the drift, or none.'
      : 'A drift goes with one difference, of a period or of a year. Take the mean, or none.',
    'constant',
  )
}

function dataOf(read: ModelInput, columns = columnsOf(read, 0)): ArimaData {
  return { values: onScale(read), columns: ofTheSpan(columns), seasons: read.m, order: read.order }
}

function modelOf({ parameters: own, constant, order }: Given) {
  const { p, q, P, Q } = order
  const lengths = [own.ar, own.ma, own.sar, own.sma].map(({ length }) => length)
  if (String(lengths) !== String([p, q, P, Q])) {
    throw new Refusal('There must be as many coefficients as the order says.', 'parameters')
  }
  const hasConstant = constant !== 'none'
  return {
    coefficients: own,
    beta: [...(hasConstant ? [own.constant ?? 0] : []), ...own.regressors],
  }
}

function fitGiven(read: Given): ArimaFit {
  const { coefficients, beta } = modelOf(read)
  const fit = fitWith(dataOf(read), coefficients, beta, 'parameters')
  return fit ?? refuseGiven()
}

function refuseGiven(): never {
  throw new Refusal(
    'The autoregressive coefficients leave the stationary region, or the gaps leave the start undetermined.',
    'parameters',
  )
}

function ahead(read: z.infer<typeof forecastInput>) {
  const columns = columnsOf(read, read.horizon)
  const future = columns.map((column) => column.future)
  const found =
    arimaAhead(dataOf(read, columns), modelOf(read), future, read.horizon) ?? refuseGiven()
  const sigma = Math.sqrt(read.parameters.sigma2)
  return { point: found.point, standardError: found.spread.map((one) => one * sigma) }
}

function limitsOf(
  levels: readonly number[],
  point: readonly number[],
  standardError: readonly number[],
  back: (z: number) => Value,
) {
  const at = (level: number, sign: number) =>
    point.map((one, i) => back(one + sign * normalQuantile(level) * standardError[i]!))
  return Object.fromEntries(
    levels.map((level) => [String(level), { lower: at(level, -1), upper: at(level, 1) }]),
  )
}

function split(own: ArmaCoefficients, beta: readonly number[], hasConstant: boolean) {
  const { ar, ma, sar, sma } = own
  return {
    ...{ ar, ma, sar, sma },
    constant: hasConstant ? beta[0]! : null,
    regressors: hasConstant ? beta.slice(1) : beta,
  }
}

/** Ljung–Box at lags m and 2m, what was fitted taken off the degrees of freedom; null with missing values. */
function wavesOf(fit: ArimaFit, m: number) {
  if (fit.data.values.includes(null)) return null
  const { ljungBox } = testArimaResiduals(residualsOf(fit), fit.data.order, m)
  return ljungBox.length > 0 ? ljungBox : null
}
