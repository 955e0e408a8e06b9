import { axisOf } from '../calendar/axis'
import { oneCycle } from '../calendar/labels'
import { pooledError } from '../check/accuracy'
import { coverageOfModel, type Held } from '../check/coverage'
import { checkTask, roll, tryFrom, type CheckTask, type Try } from '../check/rolling'
import { verdictOn, type Verdict } from '../check/verdict'
import { calculate, type Figures } from '../calculate'
import { completeCheck, type CheckDocument } from '../checkPlan'
import { spanOf } from '../completeMethod'
import { examineSoon } from '../examine'
import { METHOD_FORMAT, type MethodDocument } from '../method'
import { benchmarkSays } from '../forecast/benchmarks'
import { methodName } from '../methodName'
import { orNull, Refusal } from '../refusal'
import { adjustedValues } from '../series/adjusted'
import type { Series, Value } from '../series/series'
import { mean } from '../statistics/average'
import { attentionOf, LAST_ACTUALS, type Known, type Thresholds } from './attention'
import { chosenMethod, type ChosenMethod, type Judged, type MethodSource } from './chosen'
import type { Catalogued, CatalogueForecast, CatalogueRow } from './row'
import { settledSoon, withLevels } from '../check/settledSoon'

/** How a catalogue is worked through: the same for each of its series. */
export interface CataloguePlan {
  readonly source: MethodSource
  /** At how many origins a method is tried, evenly over those that a check would have. */
  readonly origins: number
  readonly thresholds: Thresholds
}

/** Origins that tell a method from a benchmark at a twelfth of the cost of all. */
export const USUAL_ORIGINS = 12

/**
 * Works one series of a catalogue through: its method, its forecast, how such forecasts would have done, and why somebody should
 * look at it.
 *
 * @param behind periods that the series ends before the others of its rhythm
 * @returns a series that nothing can be forecast of has a row too, which says why
 */
export function catalogued(series: Series, plan: CataloguePlan, behind = 0): Catalogued {
  const { source, thresholds } = plan
  const nothing = nothingKnown(series, behind)
  const refused = (why: string, { method, because }: ChosenMethod): Catalogued => ({
    ...{ method, because },
    row: rowOf(series, { ...nothing, refused: why }, thresholds),
    forecast: null,
  })
  let chosen: ChosenMethod = { method: fallbackOf(source), because: [], examined: null }
  try {
    const checkBy = (method: MethodDocument) => checkOf(series, method, plan.origins)
    chosen = chosenMethod(series, source, checkBy)
    const check = checkBy(chosen.method)
    const figures = calculate(series, chosen.method)
    const { levels } = figures.method.forecast
    const soon = settledSoon(series, chosen.method, figures)
    // Of limits a row tells how much the widest held; to simulate the others too would take as long again.
    const tried = withLevels(soon, levels.length > 0 ? [Math.max(...levels)] : [])
    const task = check ? checkTask(series, tried, check) : null
    const tries = task ? roll(task).tries : []
    const verdict = task && verdictOf(task, tries)
    const ahead = aheadOf(figures)
    const known: Known = {
      ...{ ...nothing, refused: null, verdict },
      change: ahead.change,
      outside: task && outsideOf(task),
    }
    const judged = chosen.examined ?? examineSoon(figures)
    return {
      ...{ method: chosen.method, because: chosen.because },
      row: rowOf(series, known, thresholds, {
        ...{ figures, judged, tries, ahead },
      }),
      forecast: forecastOf(figures),
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return refused(error.because, chosen)
  }
}

/** The row of a series that nothing could be made of, for a reason that it does not know itself. */
export function refusedRow(series: Series, because: string, thresholds: Thresholds): CatalogueRow {
  return rowOf(series, { ...nothingKnown(series, 0), refused: because }, thresholds)
}

function nothingKnown(series: Series, behind: number): Omit<Known, 'refused'> {
  const values = orNull(() => adjustedValues(series)) ?? series.values
  return { series, values, verdict: null, change: null, outside: null, behind }
}

/** What a refused series keeps as its method. */
function fallbackOf(source: MethodSource): MethodDocument {
  if (source.kind === 'begin') return { format: METHOD_FORMAT }
  return source.kind === 'given' ? source.method : source.methods[0]!
}

/** A check of a method over so many origins of its span at the most, of those that there usually are; undefined where there is none. */
function checkOf(
  series: Series,
  method: MethodDocument,
  origins: number,
): CheckDocument | undefined {
  const { firstT, lastT } = spanOf(method, series)
  const facts = { periods: lastT - firstT + 1, seasons: series.calendar.seasons }
  const plan = completeCheck(undefined, facts)
  if (!plan) return undefined
  const { first, horizon } = plan.rolling
  const step = Math.max(1, Math.ceil((facts.periods - first) / origins))
  return { rolling: { first, horizon, step } }
}

function verdictOf(task: CheckTask, tries: readonly Try[]): Verdict | null {
  const benchmarks = Object.fromEntries(
    task.alongside.map((which) => [which, pooledError(tries, which)]),
  )
  return verdictOn(tries, pooledError(tries, 'method'), benchmarks, task.plan.rolling)
}

/** How many of the last actual values lie outside the widest limits of a forecast made before them. */
function outsideOf(task: CheckTask): Known['outside'] {
  const origin = task.lastT - LAST_ACTUALS
  if (origin < task.origins[0]!) return null
  const made = tryFrom(task, origin, LAST_ACTUALS)
  if ('because' in made) return null
  const level = widest(Object.keys(made.limits))
  const limits = level === null ? null : made.limits[level]!
  if (!limits) return null
  let [count, of, reach] = [0, 0, 0]
  made.actual.forEach((value, i) => {
    const [lower, upper] = [limits.lower[i] ?? null, limits.upper[i] ?? null]
    if (value === null || lower === null || upper === null) return
    of++
    const beyond = Math.max(lower - value, value - upper)
    if (beyond <= 0) return
    count++
    reach = Math.max(reach, upper > lower ? beyond / (upper - lower) : 1)
  })
  return { count, of, reach }
}

function widest(levels: readonly string[]): string | null {
  return levels.reduce<string | null>(
    (best, level) => (best === null || Number(level) > Number(best) ? level : best),
    null,
  )
}

/** The forecast over its horizon against as many periods before it. */
function aheadOf({ ahead, prepared, series }: Figures): NonNullable<CatalogueRow['ahead']> {
  const { forecast } = ahead
  const before = prepared.used.values.slice(-forecast.length)
  const adds = series.quantity !== 'level'
  const total = (values: readonly Value[]) => {
    if (values.length < forecast.length || values.includes(null)) return null
    const average = mean(values as number[])!
    return adds ? average * values.length : average
  }
  const [own, last] = [total(forecast)!, total(before)]
  const change = last !== null && last > 0 ? 100 * (own / last - 1) : null
  return { forecast: own, before: last, change }
}

function forecastOf({ ahead, series }: Figures): CatalogueForecast {
  const { codeAt } = axisOf(series)
  const { t, forecast, limits } = ahead
  return { period: t.map(codeAt), forecast, limits }
}

interface Made {
  readonly figures: Figures
  readonly judged: Judged
  readonly tries: readonly Try[]
  readonly ahead: NonNullable<CatalogueRow['ahead']>
}

function rowOf(series: Series, known: Known, thresholds: Thresholds, made?: Made): CatalogueRow {
  const { verdict, refused } = known
  const best = verdict?.benchmarks[0]
  return {
    ...{ name: series.name, unit: series.unit, refused },
    method: made ? methodName(made.figures.method, series.calendar) : null,
    off: verdict?.method ?? null,
    origins: verdict?.tries ?? 0,
    benchmark: best
      ? { ...best, says: benchmarkSays(best.which, oneCycle(series.calendar)) }
      : null,
    against: verdict?.against ?? null,
    held: made ? heldOf(made.tries) : null,
    strength: {
      trend: made?.judged.strength.trend ?? null,
      season: made?.judged.strength.season ?? null,
    },
    outliers: made?.judged.outliers.length ?? 0,
    ahead: made?.ahead ?? null,
    attention: attentionOf(known, thresholds),
  }
}

/** What the widest limits held of what came. */
function heldOf(tries: readonly Try[]): CatalogueRow['held'] {
  const level = widest(Object.keys(tries[0]?.limits ?? {}))
  if (level === null) return null
  const { share }: Held = coverageOfModel(tries, Number(level)).pooled
  return share === null ? null : { level: Number(level), share }
}
