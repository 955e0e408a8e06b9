import { countPeriods, periodLabel } from '../../calendar/labels'
import { periodAt } from '../../calendar/period'
import { calendarOfResult, startOfResult } from '../../ledger/calendarOfResult'
import type { LoessMethod } from '../../method'
import type { Result } from '../../result'
import type { Value } from '../../series/series'
import { figureOf, operation, plain, type Expression } from '../../column/expression'
import { localFit } from '../../column/localFit'

/** The trend-cycle at a period: a local regression of what the season leaves. */
export function loessTrend(result: Result, t: number): Expression {
  const { method, columns, lastPass } = result
  const how = method.decompose as LoessMethod
  const season = lastPass!.smooth.map((value, i) => value - lastPass!.level[i]!)
  const fit = localFit({
    t: columns.t,
    z: onScale(result, (value, i) => value - season[i]!),
    robustness: columns.weight as readonly number[],
    at: t,
    window: how.trendWindow,
    degree: how.trendDegree,
    model: how.model,
    // A season that never changes is averaged after this, so the deseasonalized row is not its input.
    column: how.seasonalWindow === 'periodic' ? 'value' : 'deseasonalized',
  })
  if (!fit)
    return figureOf('no weight in its window: what stands in', columns.trendCycle[at(result, t)]!)
  const words = `local ${how.trendDegree === 1 ? 'line' : 'level'} through ${countPeriods(how.trendWindow, calendarOfResult(result))} around ${label(result, t)}`
  return { kind: 'local-fit', symbol: words, fit }
}

/**
 * The season at a period: its own values smoothed over the years, without the level that is in them. A
 * season that never changes is the mean of those over the years.
 */
export function loessSeason(result: Result, t: number): Expression {
  const how = result.method.decompose as LoessMethod
  const { columns } = result
  const { seasons } = result.series
  const { smooth, level } = result.lastPass!
  const i = at(result, t)
  const remove = how.model === 'multiplicative' ? '÷' : '−'
  const back = backOf(how)
  if (how.seasonalWindow === 'periodic') {
    const years = columns.t.flatMap((own, k) => ((own - t) % seasons === 0 ? [k] : []))
    return {
      kind: 'average',
      how: how.model === 'multiplicative' ? 'geometric-mean' : 'mean',
      terms: years.map((k) =>
        figureOf(`smooth of ${label(result, columns.t[k]!)}`, back(smooth[k]! - level[k]!)),
      ),
    }
  }
  const own = columns.t.filter((other) => (other - t) % seasons === 0)
  const z = onScale(result, (value, k) => value - result.lastPass!.trendBefore[k]!)
  const fit = localFit({
    t: own,
    z: own.map((other) => z[at(result, other)]!),
    robustness: own.map((other) => columns.weight[at(result, other)]!),
    at: t,
    window: how.seasonalWindow,
    degree: how.seasonalDegree,
    model: how.model,
    column: 'value',
  })
  const smoothed: Expression = fit
    ? {
        kind: 'local-fit',
        symbol: `local ${how.seasonalDegree === 1 ? 'line' : 'level'} through ${how.seasonalWindow} years around ${label(result, t)}`,
        fit,
      }
    : figureOf('no weight in its window: what stands in', back(smooth[i]!))
  return operation(smoothed, remove, figureOf('level in it', back(level[i]!)))
}

/** The bisquare weight that the last run used, from the irregular of the run before. */
export function weightArithmetic(result: Result, t: number): Expression {
  const { columns, lastPass, method } = result
  const i = at(result, t)
  const weight = columns.weight[i]!
  if (columns.value[i] === null) return figureOf('missing', weight)
  if (method.decompose.exclude.some(({ period }) => period === columns.period[i])) {
    return figureOf('left out', weight)
  }
  const { weighing } = lastPass!
  if (!weighing) return figureOf('every period is believed alike', weight)
  const size = Math.abs(weighing.remainder[i]!)
  if (weight === 0 || weight === 1) {
    const words = weight === 0 ? '|r| reaches h' : '|r| is next to nothing'
    return figureOf(`${words}`, weight)
  }
  const share = operation(figureOf('|r|', size), '÷', figureOf('h', weighing.bandwidth))
  return {
    kind: 'power',
    power: 2,
    of: operation(plain(1), '−', { kind: 'power', power: 2, of: share }),
  }
}

function backOf({ model }: LoessMethod): (value: number) => number {
  return model === 'multiplicative' ? Math.exp : (value) => value
}

/** The values as they were fitted, on the scale on which components add up; left out is missing. */
function onScale(result: Result, change: (value: number, i: number) => number): Value[] {
  const { columns, method } = result
  const excluded = new Set(method.decompose.exclude.map(({ period }) => period))
  const scale = method.decompose.model === 'multiplicative' ? Math.log : (value: number) => value
  return columns.value.map((value, i) =>
    value === null || excluded.has(columns.period[i]!) ? null : change(scale(value), i),
  )
}

function at(result: Result, t: number): number {
  return t - result.columns.t[0]!
}

function label(result: Result, t: number): string {
  const calendar = calendarOfResult(result)
  return periodLabel(periodAt(startOfResult(result), t, calendar.seasons), calendar)
}
