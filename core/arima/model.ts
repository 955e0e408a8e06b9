import type { Value } from '../series/series'
import {
  chooseOrders,
  USUAL_LIMITS,
  USUAL_TOTAL,
  type TriedModel,
} from '../stateSpace/arima/choose'
import { arimaColumns, ofTheSpan, type KnownColumn } from '../stateSpace/arima/columns'
import { fitArima, type ArimaFit } from '../stateSpace/arima/fit'
import {
  numbersOf,
  type ArimaConstant,
  type ArimaOrder,
  type ArmaCoefficients,
} from '../stateSpace/arima/order'
import type { Root } from '../stateSpace/arima/polynomial'
import type { ArimaErrors } from '../stateSpace/arima/standardErrors'
import type { Extent } from '../work/extent'
import { requireBounded } from '../work/requireBounded'
import { finish, type Hear } from '../work/steps'
import type { ChosenDifferences } from './firstDifferences'
import { givenModel, type GivenModel, type OrderOptions } from './orderOptions'
import { nameOfModel } from './words'

/** What a model is fitted to. */
export interface ArimaValues {
  /** One a period, null = missing, on the scale of the model. */
  readonly values: readonly Value[]
  /** Time code of the first. */
  readonly firstT: number
  /** m */
  readonly seasons: number
  /** What is taken out by regression beside mean or drift. */
  readonly beside: readonly KnownColumn[]
}

/** A model, and how it came to be this one. */
export interface FoundModel {
  readonly model: GivenModel
  readonly fit: ArimaFit
  readonly chosen: ArimaFigures['chosen']
}

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

/** What there is to say of a model: plain data, for a report. */
export interface ArimaFigures {
  readonly order: ArimaOrder
  readonly constant: ArimaConstant
  readonly coefficients: ArmaCoefficients
  /** Of the mean or the drift, then of what is known beside. */
  readonly beta: readonly number[]
  /** What these are called. */
  readonly names: readonly string[]
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
  /** v/√F, one a period of the model; undefined where nothing is predicted, or nothing came. */
  readonly residuals: readonly Value[]
  /** How often to difference was chosen, and every model that was tried, the best first; null where the orders are given. */
  readonly chosen: {
    readonly differences: ChosenDifferences
    readonly tried: readonly ToldModel[]
  } | null
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

/** About how many multiplications a model takes, chosen or given. */
export function stepsOfModel(options: OrderOptions, { periods, seasons }: Extent): number {
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

/** @throws Refusal for a model or a choice that would never end */
export function requireBoundedModel(options: OrderOptions, extent: Extent): void {
  const isGiven = givenModel(options) !== null
  requireBounded(
    stepsOfModel(options, extent),
    `${isGiven ? 'A model of so many terms' : 'ARIMA models'} over ${extent.periods} periods`,
    isGiven ? 'Take fewer terms, or a shorter span' : 'Name the orders, or take a shorter span',
    isGiven ? 'orders' : 'choose',
  )
}

/**
 * The model that is given, or the best of those that are tried.
 *
 * @param differences how often to difference, asked where the orders are chosen
 * @throws Refusal for a model with too few values, and where no model can be taken
 */
export function findModel(
  own: ArimaValues,
  options: OrderOptions,
  differences: () => ChosenDifferences,
  hear: Hear | undefined,
): FoundModel {
  const { values, firstT, seasons, beside } = own
  const fitted = ({ order, constant }: GivenModel, near?: ArmaCoefficients) => {
    const extent = { length: values.length, firstT, horizon: 0 }
    const columns = ofTheSpan(arimaColumns(constant, beside, extent))
    return fitArima({ values, columns, seasons, order }, 'orders', near && { near })
  }
  const given = givenModel(options)
  if (given) return { model: given, fit: fitted(given, options.near), chosen: null }
  const isSeasonal = options.seasonal === true
  const found = differences()
  const { taken, tried } = finish(
    chooseOrders(
      {
        ...{ values, beside, firstT, seasons, d: found.d, D: found.D },
        limits: isSeasonal ? USUAL_LIMITS : { ...USUAL_LIMITS, P: 0, Q: 0 },
        total: options.choose === 'full' ? USUAL_TOTAL : null,
      },
      'choose',
    ),
    hear,
  )
  const { order, constant } = taken
  return {
    model: { order, constant },
    fit: fitted(taken),
    chosen: { differences: found, tried: tried.map((one) => told(one, own)) },
  }
}

function told(
  { order, constant, fit, because }: TriedModel,
  { beside, seasons }: ArimaValues,
): ToldModel {
  return {
    name: nameOfModel({ order, constant }, seasons),
    ...{ order, constant, because },
    k: numbersOf(order, beside.length + (constant === 'none' ? 0 : 1)),
    logLikelihood: fit?.logLikelihood ?? null,
    ...{ aicc: fit?.aicc ?? null, aic: fit?.aic ?? null, bic: fit?.bic ?? null },
  }
}

/** What there is to say of it. */
export function figuresOf({ model, fit, chosen }: FoundModel): ArimaFigures {
  return {
    ...{ order: model.order, constant: model.constant },
    ...{ coefficients: fit.coefficients, beta: fit.beta, errors: fit.standardErrors() },
    names: fit.data.columns.map(({ name }) => name),
    ...{ count: fit.count, k: fit.k, sigma2: fit.sigma2 },
    ...{ logLikelihood: fit.logLikelihood, aic: fit.aic, aicc: fit.aicc, bic: fit.bic },
    ...{ arRoot: fit.arRoot, maRoot: fit.maRoot, roots: fit.roots },
    residuals: residualsOf(fit),
    chosen,
  }
}

/** v/√F: all alike in their spread, those of the start too. */
export function residualsOf({
  errors,
  variances,
}: Pick<ArimaFit, 'errors' | 'variances'>): Value[] {
  return errors.map((error, i) => {
    const variance = variances[i] ?? null
    return error === null || variance === null ? null : error / Math.sqrt(variance)
  })
}
