import { completeMethod } from '../completeMethod'
import type { CheckPlan } from '../checkPlan'
import type { Finding } from '../finding'
import type { Benchmark } from '../forecast/benchmarks'
import { changed, type MethodDocument } from '../method'
import type { Series } from '../series/series'
import { accuracyOf, type Accuracy } from './accuracy'
import { coverageOfModel, coverageOfPastErrors, scaleOfErrors } from './coverage'
import { findingsOfCheck, type LevelCoverage, type Shorter } from './findings'
import {
  checkTask,
  roll,
  rolledOf,
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
  const task = checkTask(series, document)
  return task && concludeCheck(task, roll(task))
}

/**
 * The conclusions from the tries of a task.
 *
 * @param rolled from all of its origins
 */
export function concludeCheck(task: CheckTask, { tries, passedOver }: Rolled): Checked {
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
    holdout: tryFrom(task, task.lastT - plan.holdout, plan.holdout),
    findings: findingsOfCheck({
      ...{ verdict, coverage, limits, passedOver },
      shorter: verdict?.against === 'worse' ? shorterTrend(task, verdict) : null,
      origins: origins.length,
      horizon: plan.rolling.horizon,
      calendar: series.calendar,
      unit: series.unit,
    }),
  }
}

const SHORTER_YEARS = 3

/** The same method with its trend through the last three years; null where that is no better, or nothing else. */
function shorterTrend(task: CheckTask, { method }: Verdict): Shorter | null {
  const { series, document, origins } = task
  const last = SHORTER_YEARS * Math.max(1, series.calendar.seasons)
  // Breaks are the analyst's own answer to a trend that turns.
  if (document.trend?.breaks || (document.trend?.last ?? origins.at(-1)!) <= last) return null
  const other = { ...task, document: changed(document, { trend: { last } }) }
  const { tries } = rolledOf(origins.map((origin) => tryFrom(other, origin)))
  const off = offBy(tries, accuracyOf(tries, 'method'))
  return off && off.by < method.by ? { last, off } : null
}
