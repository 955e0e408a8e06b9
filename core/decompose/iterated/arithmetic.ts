import { figureOf, meanOf, operation, plain, type Expression } from '../../column/expression'
import type { Value } from '../../series/series'
import type { IteratedRun } from './appended'
import { spanOf } from './frame'
import { hendersonFilter, trendWeightsAt } from './hendersonFilter'
import { seasonalWeightsAt, seasonsOf } from './seasonalStep'
import type { SeasonalFilterName } from './seasonalFilters'

type ArithmeticAt = (t: number) => Expression

/** Decimals that a weight is called by. */
const WEIGHT_DECIMALS = 5

/** The average of a year around a cell: the mean of the two averages that stand half a period before and behind it. */
export function yearAverage(run: IteratedRun, column: string): ArithmeticAt {
  const { seasons } = run.calendar
  const from = (t: number) => meanOf(seasons, (i) => run.stepAt(column, t + i))
  return (t) =>
    operation(operation(from(t - seasons / 2), '+', from(t - seasons / 2 + 1)), '÷', plain(2))
}

/** A trend by Henderson's average: the weights of its place times the cells around it. */
export function trendFiltered(run: IteratedRun, column: string, length: number): ArithmeticAt {
  const filter = hendersonFilter(length)
  return (t) => {
    const { from, step, weights } = trendWeightsAt(filter, t - run.firstT, run.count)
    return weightedSum(run, column, weights, (j) => run.firstT + from + step * j)
  }
}

/** One season filtered along its years, before it is centred. */
export function seasonRaw(
  run: IteratedRun,
  column: string,
  si: readonly Value[],
  used: SeasonalFilterName,
): ArithmeticAt {
  const groups = seasonsOf(run.taken.frame, si)
  return (t) => {
    const group = groups[run.seasonOf(t) - 1]!
    const cellOf = (place: number) => run.stepAt(column, run.firstT + group[place]!)
    if (used === 'stable') return meanOf(group.length, cellOf)
    const { from, step, weights } = seasonalWeightsAt(
      used,
      group.indexOf(t - run.firstT),
      group.length,
    )
    return weightedSum(run, column, weights, (j) => run.firstT + group[from + step * j]!)
  }
}

/**
 * A seasonal factor: what was filtered, less its average over the year around it; within half a year of the ends the average of
 * the nearest year. Before the first and behind the last there stand the factors of a year later, or earlier.
 *
 * @param own the column of the factors themselves
 */
export function seasonFactor(
  run: IteratedRun,
  raw: string,
  si: readonly Value[],
  own: string,
): ArithmeticAt {
  const { firstT, model, calendar } = run
  const { a, b } = spanOf(si)
  const [first, last] = [firstT + a, firstT + b]
  const half = calendar.seasons / 2
  const centre = yearAverage(run, raw)
  return (t) => {
    if (t < first) return run.stepAt(own, t + calendar.seasons)
    if (t > last) return run.stepAt(own, t - calendar.seasons)
    const middle = Math.min(Math.max(t, first + half), last - half)
    return operation(run.stepAt(raw, t), model.remove, centre(middle))
  }
}

/** The factor of a year that comes where nothing was carried on: the last one, and half of what it changed by; from then on that of the year before. */
export function aheadFactor(run: IteratedRun, t: number): Expression {
  const { seasons } = run.calendar
  const last = run.stepAt('index', t - seasons)
  if (t > run.lastT + seasons) return last
  const change = operation(last, '−', run.stepAt('index', t - 2 * seasons))
  return operation(last, '+', operation(figureOf('½', 0.5), '×', change))
}

function weightedSum(
  run: IteratedRun,
  column: string,
  weights: readonly number[],
  at: (j: number) => number,
): Expression {
  const terms = weights.map((weight, j) =>
    operation(figureOf(weight.toFixed(WEIGHT_DECIMALS), weight), '×', run.stepAt(column, at(j))),
  )
  return { kind: 'average', how: 'sum', terms }
}
