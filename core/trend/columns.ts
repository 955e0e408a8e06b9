import { declare, type Column } from '../column/column'
import { figureOf, operation, type Expression, type Regression } from '../column/expression'
import { regressionOf, type Run } from '../column/run'
import type { Value } from '../series/series'
import { TREND_FORMS } from './forms'
import type { TrendFit } from './report'

/** value = intercept + slope × time code, in units of the series. */
export interface StraightLine {
  readonly intercept: number
  readonly slope: number
}

/** What the columns of the trend are made from. */
export interface TrendColumns {
  readonly fit: TrendFit
  /** The line through the deseasonalized series, all periods of the span. */
  readonly straight: StraightLine
  /** The trend over the forecast. */
  readonly ahead: readonly number[]
  /** A trend-cycle that is itself a line has no cycle to show against one. */
  readonly hasCycle: boolean
}

/** The trend, and the cycle that the trend-cycle makes around it. */
export function trendColumns(run: Run, { fit, straight, ahead, hasCycle }: TrendColumns): Column[] {
  const { columns, unit, model, hasSeason } = run
  const fittedTo = hasSeason ? 'deseasonalized' : 'value'
  const [constant, slope] = fit.terms
  const line = lineThrough(
    run,
    { intercept: constant!.estimate, slope: slope!.estimate },
    fittedTo,
    fit.from,
  )
  const trend = declare(unit, {
    name: 'trend',
    label: 'Trend',
    means: `line through ${hasSeason ? 'deseas.' : run.noun}`,
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-dashed',
    stages: ['trend', 'project'],
    actual: columns.trend,
    ahead,
    arithmetic: line,
    whyUndefined: notFitted(run),
  })
  if (!hasCycle) return [trend]
  const against = lineThrough(run, straight, fittedTo)
  const cycle = declare(unit, {
    name: 'cycle',
    label: 'Cycle',
    means: `trend-cycle ${model.remove} trend`,
    measure: model.measure,
    component: 'trendCycle',
    mark: 'line-thick',
    stages: ['trend'],
    actual: columns.trendCycle.map((value, i): Value => {
      const level = straight.intercept + straight.slope * columns.t[i]!
      // A share of a line that is not above 0 has no meaning.
      const isMeaningless = model.measure === 'factor' && !(level > 0)
      return value === null || isMeaningless ? null : model.takeOut(value, level)
    }),
    arithmetic: (t) => operation(run.cell('trendCycle', t), model.remove, against(t)),
    whyUndefined: (t) =>
      run.value('trendCycle', t) === null
        ? run.whyUndefined('trendCycle', t)
        : 'The straight trend is not above 0 here, and a share of it has no meaning.',
  })
  return [trend, cycle]
}

/** Why a column that needs the trend is empty. */
export function notFitted(run: Run): (t: number) => string {
  return (t) =>
    run.value('value', t) === null
      ? 'This period has no value.'
      : 'The trend is fitted to later periods only.'
}

/**
 * The arithmetic of a straight line fitted to the defined cells of a column: a + b × t, both from all of
 * those cells at once.
 *
 * @param from time code of the first cell it was fitted to
 */
export function lineThrough(
  run: Run,
  line: StraightLine,
  fittedTo: 'value' | 'deseasonalized',
  from = -Infinity,
): (t: number) => Expression {
  let parts: { a: Expression; b: Expression } | null = null
  const made = () => {
    const of: Regression = regressionOf(run, fittedTo, from, TREND_FORMS.linear.columns)
    const coefficient = (at: number): Expression => ({
      kind: 'regression',
      gives: { figure: 'coefficient', at },
      of,
    })
    return {
      a: figureOf('a', line.intercept, coefficient(0)),
      b: figureOf('b', line.slope, coefficient(1)),
    }
  }
  return (t) => {
    const { a, b } = (parts ??= made())
    return operation(a, '+', operation(b, '×', figureOf('t', t)))
  }
}
