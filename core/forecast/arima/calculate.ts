import { refusedUnder, Refusal } from '../../refusal'
import type { Series, Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import {
  chooseOrders,
  USUAL_LIMITS,
  USUAL_TOTAL,
  type TriedModel,
} from '../../stateSpace/arima/choose'
import { arimaColumns, ofTheSpan } from '../../stateSpace/arima/columns'
import { fitArima, type ArimaFit } from '../../stateSpace/arima/fit'
import { arimaAhead } from '../../stateSpace/arima/forecast'
import {
  numbersOf,
  type ArimaConstant,
  type ArimaOrder,
  type ArmaCoefficients,
} from '../../stateSpace/arima/order'
import type { Root } from '../../stateSpace/arima/polynomial'
import type { ArimaErrors } from '../../stateSpace/arima/standardErrors'
import { normalQuantile } from '../../statistics/distributions'
import { backFrom, meanOverMedian, transformed } from '../../transform/boxCox'
import { finish } from '../../work/steps'
import type { Extent } from '../../work/extent'
import { requireBounded } from '../../work/requireBounded'
import { limitOf, noWayBack, requireNumbers } from '../beyondNumbers'
import type { Limits } from '../limits'
import { transformOf, type Transform } from '../powerScale'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import { chooseDifferences, type ChosenDifferences } from './differences'
import { givenModel, type ArimaOptions, type GivenModel } from './options'

/** A model that was tried, as far as it is told. */
export interface ToldModel extends GivenModel {
  readonly name: string
  readonly k: number
  readonly logLikelihood: Value
  readonly aicc: Value
  readonly aic: Value
  readonly bic: Value
  readonly because: string | null
}

/** A forecast by ARIMA, with the model that makes it. */
export interface ArimaForecast extends CommonAhead {
  readonly by: 'arima'
  readonly order: ArimaOrder
  readonly constant: ArimaConstant
  readonly coefficients: ArmaCoefficients
  /** Of the mean or the drift; none without one. */
  readonly beta: readonly number[]
  /** null with a root too near the unit circle. */
  readonly errors: ArimaErrors | null
  readonly count: number
  readonly k: number
  readonly sigma2: number
  readonly logLikelihood: number
  readonly aic: number
  readonly aicc: Value
  readonly bic: number
  readonly arRoot: Value
  readonly maRoot: Value
  readonly roots: { readonly ar: readonly Root[]; readonly ma: readonly Root[] }
  /** How often to difference was chosen, and every model that was tried, the best first; null where the orders are given. */
  readonly chosen: {
    readonly differences: ChosenDifferences
    readonly tried: readonly ToldModel[]
  } | null
  readonly transform: Transform | null
  /** On the scale of the model: values, their one-step predictions, and what is to come. */
  readonly scaled: {
    readonly values: readonly Value[]
    readonly predicted: readonly Value[]
    readonly forecast: readonly number[]
    /** Mean ÷ median of each forecast; null where the point is the median. */
    readonly meanOver: readonly number[] | null
  }
  /** Variance ahead as a multiple of σ². */
  readonly factors: readonly number[]
  readonly interval: {
    readonly df: number
    /** σ on the scale of the model. */
    readonly s: number
    /** z, keyed by level. */
    readonly quantiles: Readonly<Record<string, number>>
  }
}

/** Multiplications of one pass of the filter for each period and entry of the state. */
const A_PASS = 8
/** Passes that a maximum takes for each term and for each pair of them, and models that a walk visits. */
const PASSES = 100
const PASSES_OF_PAIRS = 20
const WALKED = 25
const ALL = 120
/** Terms of a model of middling size. */
const USUAL_TERMS = 3

/** About how many multiplications it takes. */
export function stepsOfArima(options: ArimaOptions, { periods, seasons }: Extent): number {
  const given = givenModel(options)
  const { p, q, P, Q } = given?.order ?? { ...USUAL_LIMITS, p: 2, q: 2 }
  const size = Math.max(p + seasons * P, q + seasons * Q + 1)
  const models = given ? 1 : options.choose === 'full' ? ALL : WALKED
  const terms = given ? p + q + P + Q : USUAL_TERMS
  const passes = 1 + PASSES * terms + PASSES_OF_PAIRS * terms ** 2
  const { d, D } = given?.order ?? { d: 1, D: seasons > 1 ? 1 : 0 }
  // A forecast filters the levels once, whose state holds the values that the differences take as well.
  const levels = A_PASS * periods * (size + d + seasons * D) ** 2
  return models * A_PASS * size * periods * passes + levels
}

/**
 * Forecast by an ARIMA model of the values themselves, or of a power of them.
 *
 * @throws Refusal for what cannot be transformed, for a model with too few values, and where no model can be taken
 */
export function forecastByArima(
  { stretch, start, lastT, hear }: Pick<ForecastBasis, 'stretch' | 'start' | 'lastT' | 'hear'>,
  options: ArimaOptions,
): Forecasted<ArimaForecast> {
  const { seasons } = stretch.calendar
  const { horizon, levels, backTransform } = options
  const nameOf = (i: number) => stretch.periodOf(i).label
  const isGiven = givenModel(options) !== null
  requireBounded(
    stepsOfArima(options, { periods: stretch.values.length, seasons }),
    `${isGiven ? 'A model of so many terms' : 'ARIMA models'} over ${stretch.values.length} periods`,
    isGiven ? 'Take fewer terms, or a shorter span' : 'Name the orders, or take a shorter span',
    isGiven ? 'forecast.orders' : 'forecast.choose',
  )
  const transform = transformOf(options.transform, stretch.values, seasons, nameOf)
  const values = transform
    ? stretch.values.map((value) => (value === null ? null : transformed(value, transform.lambda)))
    : stretch.values
  const { model, fit, chosen } = refusedUnder('forecast', () =>
    modelOf({ ...seriesOf(stretch), start, values }, stretch.firstT, options, hear),
  )
  const extent = { length: values.length, firstT: stretch.firstT, horizon }
  const columns = arimaColumns(model.constant, [], extent)
  const ahead = arimaAhead(
    fit.data,
    fit,
    columns.map(({ future }) => future),
    horizon,
  )!
  const s = Math.sqrt(fit.s2)
  const back = (z: number): Value => (transform ? backFrom(z, transform.lambda) : limitOf(z))
  const meanOver =
    transform && backTransform === 'mean'
      ? ahead.point.map((z, i) => meanOverMedian(z, transform.lambda, s * ahead.spread[i]!))
      : null
  const forecast = ahead.point.map((z, i) => {
    const median = back(z)
    if (median !== null) return median * (meanOver?.[i] ?? 1)
    throw new Refusal(
      `The forecast of ${nameOf(values.length + i)} cannot come back. ${noWayBack(transform?.lambda ?? 0)} Take the logarithm, or a shorter horizon.`,
      'forecast.transform',
    )
  })
  requireNumbers(forecast)
  const predicted = fit.errors.map((error, i) => (error === null ? null : values[i]! - error))
  return {
    ahead: {
      by: 'arima',
      t: forecast.map((_, i) => lastT + 1 + i),
      forecast,
      deseasonalized: forecast.map(() => null),
      ...{ order: model.order, constant: model.constant },
      ...{ coefficients: fit.coefficients, beta: fit.beta, errors: fit.standardErrors() },
      ...{ count: fit.count, k: fit.k, sigma2: fit.sigma2 },
      ...{ logLikelihood: fit.logLikelihood, aic: fit.aic, aicc: fit.aicc, bic: fit.bic },
      ...{ arRoot: fit.arRoot, maRoot: fit.maRoot, roots: fit.roots },
      chosen,
      transform,
      scaled: { values, predicted, forecast: ahead.point, meanOver },
      factors: ahead.spread.map((spread) => spread ** 2),
      limits: Object.fromEntries(
        levels.map((level): [string, Limits] => {
          const side = (sign: number) =>
            ahead.point.map((z, i) => back(z + sign * normalQuantile(level) * s * ahead.spread[i]!))
          return [String(level), { lower: side(-1), upper: side(1) }]
        }),
      ),
      interval: {
        df: fit.count - fit.k + 1,
        s,
        quantiles: Object.fromEntries(levels.map((level) => [level, normalQuantile(level)])),
      },
    },
    fitted: predicted.map((z) => (z === null ? null : back(z))),
    estimated: fit.k + (transform?.chosen ? 1 : 0),
    inProportion: transform !== null && transform.lambda !== 1,
    report: () => null,
  }
}

/** The stretch as a series of its own, its first period that of time code 1: differences know no other. */
function seriesOf({ calendar }: Stretch): Pick<Series, 'name' | 'unit' | 'calendar'> {
  return { name: '', unit: '', calendar }
}

/** The model that is given, or the best of those that are tried. */
function modelOf(
  series: Series,
  firstT: number,
  options: ArimaOptions,
  hear: ForecastBasis['hear'],
): {
  readonly model: GivenModel
  readonly fit: ArimaFit
  readonly chosen: ArimaForecast['chosen']
} {
  const { values, calendar } = series
  const { seasons } = calendar
  const given = givenModel(options)
  const fitted = (model: GivenModel) => {
    const extent = { length: values.length, firstT, horizon: 0 }
    const columns = ofTheSpan(arimaColumns(model.constant, [], extent))
    return fitArima({ values, columns, seasons, order: model.order }, 'orders')
  }
  if (given) return { model: given, fit: fitted(given), chosen: null }
  const isSeasonal = options.seasonal === true
  const differences = chooseDifferences(series, [], isSeasonal)
  const { taken, tried } = finish(
    chooseOrders(
      {
        ...{ values, beside: [], firstT, seasons, d: differences.d, D: differences.D },
        limits: isSeasonal ? USUAL_LIMITS : { ...USUAL_LIMITS, P: 0, Q: 0 },
        total: options.choose === 'full' ? USUAL_TOTAL : null,
      },
      'choose',
    ),
    hear,
  )
  return { model: taken, fit: fitted(taken), chosen: { differences, tried: tried.map(told) } }
}

function told({ name, order, constant, fit, because }: TriedModel): ToldModel {
  return {
    ...{ name, order, constant, because },
    k: numbersOf(order, constant === 'none' ? 0 : 1),
    logLikelihood: fit?.logLikelihood ?? null,
    ...{ aicc: fit?.aicc ?? null, aic: fit?.aic ?? null, bic: fit?.bic ?? null },
  }
}
