import { countPeriods, oneCycle } from '../../calendar/labels'
import { figureOf, operation, plain, type Expression } from '../../column/expression'
import { localFit } from '../../column/localFit'
import type { Value } from '../../series/series'
import type { DecompositionRun } from '../way'
import type { LoessTaken } from './calculate'
import type { LoessOptions } from './options'

export type LoessRun = DecompositionRun<LoessOptions, LoessTaken>

/** The trend-cycle at a period: a local regression of what the season leaves. */
export function loessTrend(run: LoessRun, t: number): Expression {
  const { options, columns, taken, calendar } = run
  const { smooth, level } = taken.lastPass
  const fit = localFit({
    t: columns.t,
    z: onScale(run, (value, i) => value - (smooth[i]! - level[i]!)),
    robustness: taken.weights,
    at: t,
    window: options.trendWindow,
    degree: options.trendDegree,
    model: options.model,
    // A season that never changes is averaged after this, so the deseasonalized row is not its input.
    column: options.seasonalWindow === 'periodic' ? run.input.column : 'deseasonalized',
  })
  if (!fit) return figureOf('no weight in its window: what stands in', run.value('trendCycle', t)!)
  const words = `local ${options.trendDegree === 1 ? 'line' : 'level'} through ${countPeriods(options.trendWindow, calendar)} around ${run.label(t)}`
  return { kind: 'local-fit', symbol: words, fit }
}

/**
 * The season at a period: its own values smoothed over the years, without the level that is in them. A
 * season that never changes is the mean of those over the years. A forecast repeats that of the last year.
 */
export function loessIndex(run: LoessRun, t: number): Expression {
  if (t <= run.lastT) return loessSeason(run, t)
  // By its season, and not so many periods before: the 53rd week of a year repeats its 52nd.
  let last = run.lastT
  while (run.seasonOf(last) !== run.seasonOf(t)) last--
  return run.cell('index', last)
}

function loessSeason(run: LoessRun, t: number): Expression {
  const { options, columns, taken, model, calendar } = run
  const { smooth, level, trendBefore } = taken.lastPass
  const i = at(run, t)
  const years = columns.t.filter((other) => (other - t) % calendar.seasons === 0)
  if (options.seasonalWindow === 'periodic') {
    return {
      kind: 'average',
      how: model.measure === 'factor' ? 'geometric-mean' : 'mean',
      terms: years.map((other) => {
        const k = at(run, other)
        return figureOf(`smooth of ${run.label(other)}`, model.fromSum(smooth[k]! - level[k]!))
      }),
    }
  }
  const z = onScale(run, (value, k) => value - trendBefore[k]!)
  const fit = localFit({
    t: years,
    z: years.map((other) => z[at(run, other)]!),
    robustness: years.map((other) => taken.weights[at(run, other)]!),
    at: t,
    window: options.seasonalWindow,
    degree: options.seasonalDegree,
    model: options.model,
    column: run.input.column,
  })
  const smoothed: Expression = fit
    ? {
        kind: 'local-fit',
        symbol: `local ${options.seasonalDegree === 1 ? 'line' : 'level'} through ${options.seasonalWindow} ${oneCycle(calendar)}s around ${run.label(t)}`,
        fit,
      }
    : figureOf('no weight in its window: what stands in', model.fromSum(smooth[i]!))
  return operation(smoothed, model.remove, figureOf('level in it', model.fromSum(level[i]!)))
}

/** The bisquare weight that the last run used, from the irregular of the run before. */
export function loessWeight(run: LoessRun, t: number): Expression {
  const { input, taken, leftOut } = run
  const i = at(run, t)
  const weight = taken.weights[i]!
  if (input.values[i] === null) return figureOf('missing', weight)
  if (leftOut.has(t)) return figureOf('left out', weight)
  const { weighing } = taken.lastPass
  if (!weighing) return figureOf('every period is believed alike', weight)
  const size = Math.abs(weighing.remainder[i]!)
  if (weight === 0 || weight === 1) {
    return figureOf(weight === 0 ? '|r| reaches h' : '|r| is next to nothing', weight)
  }
  const share = operation(figureOf('|r|', size), '÷', figureOf('h', weighing.bandwidth))
  return {
    kind: 'power',
    power: 2,
    of: operation(plain(1), '−', { kind: 'power', power: 2, of: share }),
  }
}

/** The values as they were fitted, on the scale on which components add up; left out is missing. */
function onScale(
  { columns, input, leftOut, model }: LoessRun,
  change: (value: number, i: number) => number,
): Value[] {
  return input.values.map((value, i) =>
    value === null || leftOut.has(columns.t[i]!) ? null : change(model.toSum(value), i),
  )
}

function at({ firstT }: LoessRun, t: number): number {
  return t - firstT
}
