import { calculate } from '../calculate'
import { completeMethod, spanOf } from '../completeMethod'
import { completeCheck, type CheckPlan } from '../checkPlan'
import { traitsOf } from '../decompose/ways'
import { benchmarkForecast, benchmarksFor, type Benchmark } from '../forecast/benchmarks'
import type { Limits } from '../forecast/limits'
import type { MethodDocument } from '../method'
import { Refusal } from '../refusal'
import { adjustedValues } from '../series/adjusted'
import { fillsWithZero } from '../prepare/fill/fillMissing'
import type { Series, Value } from '../series/series'
import { finish, type Steps } from '../work/steps'
import { naiveScale } from './errorFigures'
import { settledAt } from './settle'
import { trainingDocument } from './trainingDocument'

/** A forecast as it would have been made at an origin, and what came. One entry a horizon in every list. */
export interface Try {
  /** Time code of the last period that was known. */
  readonly origin: number
  readonly actual: readonly Value[]
  readonly forecast: readonly number[]
  /** Of the model, keyed by level. */
  readonly limits: Readonly<Record<string, Limits>>
  readonly inProportion: boolean
  readonly benchmarks: Readonly<Partial<Record<Benchmark, readonly Value[]>>>
  /** Mean |y(t) − y(t−m)| of the training span, the denominator of MASE; by a method without a season m is 1. */
  readonly scale: Value
  /** The same with the m of the series, whatever the method: what methods are compared by. */
  readonly commonScale: Value
}

/** An origin at which the method is refused. */
export interface PassedOver {
  readonly origin: number
  readonly because: string
}

/** What is checked: a method on a series, from which origins. */
export interface CheckTask {
  readonly series: Series
  /** What takes long to choose is chosen at the first origin, and stays. */
  readonly document: MethodDocument
  /** Whether something was. */
  readonly isSettled: boolean
  readonly plan: CheckPlan
  /** Time codes of the last periods known, the earliest first. */
  readonly origins: readonly number[]
  readonly firstT: number
  readonly lastT: number
  /** Benchmarks that run alongside. */
  readonly alongside: readonly Benchmark[]
  /** What came: adjusted values, and no interpolated ones; a zero that stands for no sale is one. */
  readonly actual: readonly Value[]
}

/**
 * What there is to check of a method.
 *
 * @returns null when the series is too short for any origin
 * @throws Refusal as the method itself does, and for a plan that makes no sense
 */
export function checkTask(
  series: Series,
  document: MethodDocument,
  check = document.check,
): CheckTask | null {
  const { decompose } = completeMethod(document, series)
  const { firstT, lastT } = spanOf(document, series)
  const { seasons } = series.calendar
  const plan = completeCheck(check, { periods: lastT - firstT + 1, seasons })
  if (!plan) return null
  const { first, step } = plan.rolling
  const origins: number[] = []
  for (let t = firstT + first - 1; t < lastT; t += step) origins.push(t)
  const settled =
    origins[0] === undefined
      ? null
      : settledAt(series, document, { firstT, origin: origins[0], horizon: plan.rolling.horizon })
  return {
    ...{ series, document: settled?.document ?? document, isSettled: settled?.wasOpen ?? false },
    ...{ plan, origins, firstT, lastT },
    alongside: benchmarksFor(traitsOf(decompose).hasSeason ? seasons : 1),
    actual: actualValues(series, document),
  }
}

/** What came. A month that stands for no sale is 0 between others; one after the last has not come yet. */
function actualValues(series: Series, document: MethodDocument): readonly Value[] {
  const values = adjustedValues(series)
  if (!fillsWithZero(document)) return values
  const isThere = (value: Value) => value !== null
  const [first, last] = [values.findIndex(isThere), values.findLastIndex(isThere)]
  return values.map((value, i) => (value === null && i > first && i < last ? 0 : value))
}

/** The forecast of a task from one of its origins: everything is chosen anew from what was known then. */
export function tryFrom(
  task: CheckTask,
  origin: number,
  horizon = task.plan.rolling.horizon,
): Try | PassedOver {
  const { series, document, firstT, lastT, alongside, actual } = task
  const { seasons } = series.calendar
  const ahead = Math.min(horizon, lastT - origin)
  try {
    const figures = calculate(series, trainingDocument(document, series, firstT, origin, ahead))
    const { values } = figures.prepared.used
    return {
      origin,
      actual: actual.slice(origin, origin + ahead),
      forecast: figures.ahead.forecast,
      limits: figures.ahead.limits,
      inProportion: figures.inProportion,
      benchmarks: Object.fromEntries(
        alongside.map((which) => [which, benchmarkForecast(which, values, seasons, ahead)]),
      ),
      scale: naiveScale(values, figures.decomposed.season ? seasons : 1),
      commonScale: naiveScale(values, seasons),
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { origin, because: error.because }
  }
}

/** Tries of a rolling check, and the origins that had to be passed over. */
export interface Rolled {
  readonly tries: readonly Try[]
  readonly passedOver: readonly PassedOver[]
}

/** Sorts what came of the origins. */
function rolledOf(outcomes: readonly (Try | PassedOver)[]): Rolled {
  const isTry = (one: Try | PassedOver): one is Try => 'forecast' in one
  return {
    tries: outcomes.filter(isTry),
    passedOver: outcomes.filter((one): one is PassedOver => !isTry(one)),
  }
}

/** The forecasts from every origin of a task, one after another. */
export function* rollSteps(task: CheckTask): Steps<Rolled> {
  const outcomes = []
  for (const origin of task.origins) {
    outcomes.push(tryFrom(task, origin))
    yield { done: outcomes.length, of: task.origins.length, words: 'forecasts made' }
  }
  return rolledOf(outcomes)
}

/** The same in one go. */
export function roll(task: CheckTask): Rolled {
  return finish(rollSteps(task))
}
