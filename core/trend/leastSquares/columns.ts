import type { Column } from '../../column/column'
import { figureOf, operation, type Expression, type Regression } from '../../column/expression'
import { regressionOf, type Run } from '../../column/run'
import { powersOfTime, type DesignColumn } from '../../regression/design'
import { TIME_CODE } from '../../regression/timeVariable'
import { trendColumn, trended, trendedShort, type TrendColumns } from '../trendColumn'
import { FITTED_FORMS } from './forms'
import type { FittedTrendReport } from './report'

/** value = intercept + slope × time code, in units of the series. */
export interface StraightLine {
  readonly intercept: number
  readonly slope: number
}

/** The trend, each cell from its coefficients. */
export function fittedColumns(run: Run, parts: TrendColumns<FittedTrendReport>): Column[] {
  const { words, degree, bends, ofLog } = FITTED_FORMS[parts.fit.form]
  const isLine = degree === 1 && !bends && !ofLog
  const means = isLine ? `line through ${trendedShort(run)}` : words
  return [
    trendColumn(run, parts, { means, arithmetic: lineArithmetic(run, parts.fit, parts.design) }),
  ]
}

function lineArithmetic(
  run: Run,
  fit: FittedTrendReport,
  design: readonly DesignColumn[],
): (t: number) => Expression {
  return weightedSum(
    trendRegression(run, fit, design),
    fit.terms.map(({ estimate }) => estimate),
  )
}

/** The regression that the trend comes from, made when it is first asked for. */
export function trendRegression(
  run: Run,
  { from, form }: FittedTrendReport,
  design: readonly DesignColumn[],
): () => Regression {
  let made: Regression | null = null
  return () => (made ??= regressionOf(run, trended(run), from, design, FITTED_FORMS[form].ofLog))
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
  fittedTo: string,
  from = -Infinity,
): (t: number) => Expression {
  let made: Regression | null = null
  const of = () => (made ??= regressionOf(run, fittedTo, from, powersOfTime(1, TIME_CODE)))
  return weightedSum(of, [intercept, slope])
}
