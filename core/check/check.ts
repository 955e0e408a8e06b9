import { countPeriods, oneCycle } from '../calendar/labels'
import { completeMethod } from '../completeMethod'
import type { CheckPlan } from '../checkPlan'
import type { Finding } from '../finding'
import type { Benchmark } from '../forecast/benchmarks'
import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import { changed, type MethodDocument } from '../method'
import type { Series } from '../series/series'
import { SMOOTH } from '../trend/formChange'
import { TREND_FORMS } from '../trend/forms'
import { formOf } from '../trend/options'
import { finish, type Steps } from '../work/steps'
import { accuracyOf, type Accuracy } from './accuracy'
import {
  coverageOfModel,
  coverageOfPastErrors,
  scaleOfErrors,
  type LevelCoverage,
} from './coverage'
import { findingsOfCheck, type Nearer } from './findings'
import {
  checkTask,
  rollSteps,
  tryFrom,
  type CheckTask,
  type PassedOver,
  type Rolled,
  type Try,
} from './rolling'
import { offBy, verdictOn, type Verdict } from './verdict'

/** What a check of a method comes to: how such forecasts would have done. Plain data. */
export interface Checked extends Rolled {
  readonly plan: CheckPlan
  readonly levels: readonly number[]
  readonly method: Accuracy
  readonly benchmarks: Readonly<Partial<Record<Benchmark, Accuracy>>>
  readonly coverage: readonly LevelCoverage[]
  /** The last periods hidden and forecast; why not, where the method is refused there. */
  readonly holdout: Try | PassedOver
  readonly verdict: Verdict | null
  readonly findings: readonly Finding[]
}

/**
 * Checks a method: makes the forecast that it would have made at earlier origins, and lays beside it what came.
 *
 * @returns null when the series is too short for any origin
 * @throws Refusal as the method does, and for a plan that makes no sense
 */
export function check(series: Series, document: MethodDocument): Checked | null {
  return finish(checkSteps(series, document))
}

/** The same forecast by forecast. */
export function* checkSteps(series: Series, document: MethodDocument): Steps<Checked | null> {
  const task = checkTask(series, document)
  return task && (yield* concludeCheck(task, yield* rollSteps(task)))
}

/**
 * The conclusions from the tries of a task.
 *
 * @param rolled from all of its origins
 */
function* concludeCheck(task: CheckTask, { tries, passedOver }: Rolled): Steps<Checked> {
  const { series, document, plan, origins, alongside } = task
  const { levels, limits } = completeMethod(document, series).forecast
  const method = accuracyOf(tries, 'method')
  const benchmarks = Object.fromEntries(
    alongside.map((which) => [which, accuracyOf(tries, which)]),
  ) as Checked['benchmarks']
  const verdict = verdictOn(tries, method, benchmarks, plan.rolling)
  const scale = scaleOfErrors(tries, true, [])
  const coverage = levels.map((level): LevelCoverage => {
    const pastErrors = coverageOfPastErrors(tries, level, scale)
    return {
      level,
      inUse: limits === 'past-errors' ? pastErrors : coverageOfModel(tries, level),
      pastErrors,
    }
  })
  return {
    ...{ plan, tries, passedOver, levels, method, benchmarks, coverage, verdict },
    holdout: hideLast(task),
    findings: findingsOfCheck({
      ...{ verdict, coverage, limits, passedOver, isSettled: task.isSettled },
      nearer: verdict?.against === 'worse' ? yield* nearerTrends(task, verdict) : [],
      origins: origins.length,
      horizon: plan.rolling.horizon,
      unit: series.unit,
      cycle: oneCycle(series.calendar),
    }),
  }
}

/** The forecast of the last periods by a method that has not seen them; why not, where it is refused there. */
export function hideLast(task: CheckTask): Try | PassedOver {
  const { holdout } = task.plan
  return tryFrom(task, task.lastT - holdout, holdout)
}

const LATEST_YEARS = 3

/** The same method with trends that keep to the latest values, over the same origins: those that are nearer, the nearest first. */
function* nearerTrends(task: CheckTask, { method }: Verdict): Steps<Nearer[]> {
  const { series, document, origins } = task
  const nearer: Nearer[] = []
  for (const { change, words, label } of followingTrends(document, series, origins.at(-1)!)) {
    const { tries } = yield* rollSteps({ ...task, document: changed(document, change) })
    const off = offBy(tries, accuracyOf(tries, 'method'))
    if (off && off.by < method.by) nearer.push({ change, words, label, off })
  }
  return nearer.sort((a, b) => a.off.by - b.off.by)
}

/** What a trend could be instead, to keep to the latest values; nothing where the forecast has no trend, or has one that does. */
function followingTrends(
  { trend, forecast }: MethodDocument,
  { calendar }: Series,
  lastOrigin: number,
): Omit<Nearer, 'off'>[] {
  const { extendsTrend, fitsTrend } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  // Breaks are the analyst's own answer to a trend that turns.
  if ((!extendsTrend && !fitsTrend) || trend?.breaks) return []
  const last = LATEST_YEARS * Math.max(1, calendar.seasons)
  const through = `the last ${countPeriods(last, calendar)}`
  return [
    ...(extendsTrend && !TREND_FORMS[formOf(trend)].follows
      ? [
          {
            ...SMOOTH,
            words: 'with a smoothed level',
          },
        ]
      : []),
    ...((trend?.last ?? lastOrigin) > last
      ? [
          {
            change: { trend: { last } },
            words: `with the trend through ${through}`,
            label: `Fit the trend to ${through}`,
          },
        ]
      : []),
  ]
}
