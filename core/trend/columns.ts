import { declare, type Column } from '../column/column'
import { figureOf, operation, type Expression, type Regression } from '../column/expression'
import { regressionOf, type Run } from '../column/run'
import {
  smoothingArithmetic,
  slopeWords,
  type SmoothingArithmetic,
} from '../column/smoothingStates'
import { powersOfTime, type DesignColumn } from '../regression/design'
import { TIME_CODE } from '../regression/timeVariable'
import type { Value } from '../series/series'
import type { Stage } from '../stage'
import { TREND_FORMS } from './forms'
import type { FittedTrendReport, SmoothedTrendReport, TrendFit } from './report'

/** value = intercept + slope × time code, in units of the series. */
export interface StraightLine {
  readonly intercept: number
  readonly slope: number
}

/** What the columns of the trend are made from. */
export interface TrendColumns {
  readonly fit: TrendFit
  /** Of a least-squares trend, beside the constant. */
  readonly design: readonly DesignColumn[]
  /** The trend over the forecast; none where the forecast comes from elsewhere. */
  readonly ahead: readonly number[] | null
  /** A trend-cycle that is itself a line has no cycle to show against one. */
  readonly hasCycle: boolean
  /** Where its rows are shown; with all steps alone under a forecast that follows a level of its own. */
  readonly stages: readonly Stage[]
}

/** The trend, what it was made of where it was smoothed, and the cycle that the trend-cycle makes around it. */
export function trendColumns(run: Run, parts: TrendColumns): Column[] {
  const { fit, hasCycle, stages } = parts
  const cycle = hasCycle ? [cycleColumn(run, stages)] : []
  if (fit.form !== 'smoothed')
    return [trendColumn(run, parts, lineArithmetic(run, fit, parts.design)), ...cycle]
  const cells = smoothedCells(run, fit)
  const arithmetic = (t: number) => (t > run.lastT ? cells.reached(t) : cells.before(t))
  return [...stateColumns(run, fit, stages), trendColumn(run, parts, arithmetic), ...cycle]
}

function trendColumn(
  run: Run,
  { fit, ahead, stages }: TrendColumns,
  arithmetic: (t: number) => Expression,
): Column {
  const form = TREND_FORMS[fit.form]
  const through = run.hasSeason ? 'deseas.' : run.noun
  return declare(run.unit, {
    name: 'trend',
    label: 'Trend',
    means: fit.form === 'linear' ? `line through ${through}` : (MEANS[fit.form] ?? form.words),
    explains: `${form.words} through the ${run.hasSeason ? 'deseasonalized series' : run.noun}`,
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-dashed',
    stages: ahead ? [...stages, 'project'] : stages,
    actual: run.columns.trend,
    ahead,
    arithmetic,
    whyUndefined: notFitted(run),
  })
}

const MEANS: Readonly<Partial<Record<TrendFit['form'], string>>> = {
  smoothed: 'level and slope before',
}

function cycleColumn(run: Run, stages: readonly Stage[]): Column {
  const { columns, unit, model } = run
  return declare(unit, {
    name: 'cycle',
    label: 'Cycle',
    means: `trend-cycle ${model.remove} trend`,
    measure: model.measure,
    component: 'trendCycle',
    mark: 'line-thick',
    stages,
    actual: columns.trendCycle.map((value, i): Value => {
      const level = columns.trend[i]!
      // A share of a trend that is not above 0 has no meaning.
      const isMeaningless = level === null || (model.measure === 'factor' && !(level > 0))
      return value === null || isMeaningless ? null : model.takeOut(value, level)
    }),
    arithmetic: (t) => operation(run.cell('trendCycle', t), model.remove, run.cell('trend', t)),
    whyUndefined: (t) => {
      if (run.value('trendCycle', t) === null) return run.whyUndefined('trendCycle', t)
      if (run.value('trend', t) === null) return run.whyUndefined('trend', t)
      return 'The trend is not above 0 here, and a share of it has no meaning.'
    },
  })
}

/** The arithmetic of a trend that is smoothed. */
function smoothedCells(run: Run, { smoothing, from }: SmoothedTrendReport): SmoothingArithmetic {
  const { form, weights, initial } = smoothing
  return smoothingArithmetic(run, {
    ...{ form, weights, initial, from, of: trended(run) },
    ...{ level: 'trendLevel', slope: 'trendSlope', season: '' },
  })
}

/** Level and slope at the end of every period: what the trend of the next is made of. */
function stateColumns(run: Run, report: SmoothedTrendReport, stages: readonly Stage[]): Column[] {
  const { states, smoothing, from } = report
  const cells = smoothedCells(run, report)
  const inSpan = (own: readonly number[]) =>
    run.columns.t.map((t): Value => (t < from ? null : own[t - from]!))
  const common = { stages, whyUndefined: notFitted(run) }
  return [
    declare(run.unit, {
      ...common,
      name: 'trendLevel',
      label: 'Level of the trend',
      symbol: 'level',
      means: 'the newest counts most',
      measure: 'level',
      component: 'deseasonalized',
      mark: 'line-thin',
      actual: inSpan(states.level),
      arithmetic: cells.level,
    }),
    ...(states.slope
      ? [
          declare(run.unit, {
            ...common,
            name: 'trendSlope',
            label: 'Slope of the trend',
            symbol: 'slope',
            ...slopeWords(smoothing.form, run.per),
            component: 'deseasonalized',
            mark: 'line-thin',
            actual: inSpan(states.slope),
            arithmetic: cells.slope,
          }),
        ]
      : []),
  ]
}

/** What the trend goes through. */
function trended(run: Run): 'deseasonalized' | 'value' {
  return run.hasSeason ? 'deseasonalized' : 'value'
}

/** Why a column that needs the trend, or a regression, is empty. */
export function notFitted(run: Run, what = 'The trend'): (t: number) => string {
  return (t) =>
    run.value('value', t) === null
      ? 'This period has no value.'
      : `${what} is fitted to later periods only.`
}

function lineArithmetic(
  run: Run,
  fit: FittedTrendReport,
  design: readonly DesignColumn[],
): (t: number) => Expression {
  const { of, coefficients } = trendRegression(run, fit, design)
  return weightedSum(of, coefficients)
}

/** The regression that the trend comes from, made when it is first asked for. */
export function trendRegression(
  run: Run,
  { terms, from, form }: FittedTrendReport,
  design: readonly DesignColumn[],
): { of: () => Regression; coefficients: readonly number[] } {
  let made: Regression | null = null
  const of = () => (made ??= regressionOf(run, trended(run), from, design, TREND_FORMS[form].ofLog))
  return { of, coefficients: terms.map(({ estimate }) => estimate) }
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz'

/** a + b × t + …: the coefficients of a regression, each with where it came from, times their columns; of logarithms exp of it. */
export function weightedSum(
  of: () => Regression,
  coefficients: readonly number[],
): (t: number) => Expression {
  let parts: readonly Expression[] | null = null
  const made = () =>
    (parts ??= coefficients.map((value, at) =>
      figureOf(LETTERS[at] ?? `b${at}`, value, {
        kind: 'regression',
        gives: { figure: 'coefficient', at },
        of: of(),
      }),
    ))
  return (t) => {
    const [a, ...rest] = made()
    const { columns, ofLog } = of()
    const sum = rest.reduce<Expression>((left, b, j) => {
      const { at, name, label, power } = columns[j]!
      const x = figureOf(power ? name : label, at(t))
      return operation(left, '+', operation(b, '×', x))
    }, a!)
    return ofLog ? { kind: 'exp', of: sum } : sum
  }
}

/** The arithmetic of a straight line through the cells of a column from a time code on. */
export function lineThrough(
  run: Run,
  { intercept, slope }: StraightLine,
  fittedTo: 'value' | 'deseasonalized',
  from = -Infinity,
): (t: number) => Expression {
  let made: Regression | null = null
  const of = () => (made ??= regressionOf(run, fittedTo, from, powersOfTime(1, TIME_CODE)))
  return weightedSum(of, [intercept, slope])
}
