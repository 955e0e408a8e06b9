import type { DesignColumn } from '../regression/design'
import { fitDesign } from '../regression/fitDesign'
import { mean, median, trimmedMean } from '../statistics/average'
import { tQuantile } from '../statistics/distributions'
import { standardDeviation } from '../statistics/spread'
import type { Cell } from './cell'
import type { LocalFitPicture } from './localFit'

/** An operation between two parts of a calculation, as it is printed. */
export type Operator = '+' | '−' | '×' | '÷'

/** How a list of terms becomes one figure. */
export type AverageHow =
  'mean' | 'median' | 'trimmed-mean' | 'geometric-mean' | 'standard-deviation'

/** The arithmetic behind a cell, down to the cells and figures it was made from. */
export type Expression =
  /** Another cell of the ledger. */
  | { readonly kind: 'cell'; readonly cell: Cell; readonly symbol: string; readonly value: number }
  /**
   * A figure that is not in the ledger, such as a slope; or a plain number. `made` says where it came from,
   * and is left out for what was given, and for what no formula can say.
   */
  | {
      readonly kind: 'figure'
      readonly symbol: string
      readonly value: number
      readonly made?: Expression
    }
  | { readonly kind: 'average'; readonly how: AverageHow; readonly terms: readonly Expression[] }
  /** A local regression, drawn beside the arithmetic. */
  | { readonly kind: 'local-fit'; readonly symbol: string; readonly fit: LocalFitPicture }
  | {
      readonly kind: 'operation'
      readonly operator: Operator
      readonly left: Expression
      readonly right: Expression
    }
  | { readonly kind: 'root'; readonly of: Expression }
  | { readonly kind: 'power'; readonly of: Expression; readonly power: number }
  | { readonly kind: 'ln'; readonly of: Expression }
  /** e to the power of what it holds: the way back from a logarithm. */
  | { readonly kind: 'exp'; readonly of: Expression }
  /** A figure of a least-squares regression. */
  | { readonly kind: 'regression'; readonly gives: RegressionFigure; readonly of: Regression }
  /** The t that a two-sided interval of a level reaches to. */
  | { readonly kind: 't-quantile'; readonly level: number; readonly df: Expression }

/** A regression of cells, or of their logarithms, on a design; the same object in everything that comes from it. */
export interface Regression {
  readonly y: readonly (Expression & { readonly kind: 'cell' })[]
  readonly ofLog: boolean
  readonly columns: readonly DesignColumn[]
}

/** What a regression gives: a coefficient (0 is the constant), SSE, or x₀ᵀ(XᵀX)⁻¹x₀ at a time code. */
export type RegressionFigure =
  | { readonly figure: 'coefficient'; readonly at: number }
  | { readonly figure: 'sse' }
  | { readonly figure: 'leverage'; readonly t: number }
  /** The mean of exp(residual), for the mean of what comes back from logarithms. */
  | { readonly figure: 'smearing' }

/** A figure with its name, its value and, where there is one, the arithmetic that made it. */
export function figureOf(symbol: string, value: number, made?: Expression): Expression {
  return made ? { kind: 'figure', symbol, value, made } : { kind: 'figure', symbol, value }
}

/** A number that stands for itself, such as the 2 of a second average. */
export function plain(value: number): Expression {
  return figureOf(String(value), value)
}

export function operation(left: Expression, operator: Operator, right: Expression): Expression {
  return { kind: 'operation', operator, left, right }
}

/** The mean of `count` terms. */
export function meanOf(count: number, term: (i: number) => Expression): Expression {
  return { kind: 'average', how: 'mean', terms: Array.from({ length: count }, (_, i) => term(i)) }
}

/**
 * Works an expression out.
 *
 * @example evaluate(operation(plain(48210), '÷', plain(36433))) // 1.3232…
 */
export function evaluate(expression: Expression): number {
  switch (expression.kind) {
    case 'cell':
    case 'figure':
      return expression.value
    case 'average':
      return AVERAGES[expression.how](expression.terms.map(evaluate))
    case 'local-fit':
      return expression.fit.value
    case 'power':
      return evaluate(expression.of) ** expression.power
    case 'ln':
      return Math.log(evaluate(expression.of))
    case 'exp':
      return Math.exp(evaluate(expression.of))
    case 'root':
      return Math.sqrt(evaluate(expression.of))
    case 'regression':
      return regressionFigure(expression.of, expression.gives)
    case 't-quantile':
      return tQuantile(expression.level, evaluate(expression.df))
    case 'operation': {
      const left = evaluate(expression.left)
      const right = evaluate(expression.right)
      switch (expression.operator) {
        case '+':
          return left + right
        case '−':
          return left - right
        case '×':
          return left * right
        case '÷':
          return left / right
      }
    }
  }
}

const AVERAGES: Record<AverageHow, (values: readonly number[]) => number> = {
  mean: (values) => mean(values)!,
  median: (values) => median(values)!,
  'trimmed-mean': (values) => trimmedMean(values)!,
  'geometric-mean': (values) => Math.exp(mean(values.map(Math.log))!),
  'standard-deviation': (values) => standardDeviation(values)!,
}

function regressionFigure({ y, ofLog, columns }: Regression, gives: RegressionFigure): number {
  const firstT = y[0]!.cell.t
  const values = Array<number | null>(y.at(-1)!.cell.t - firstT + 1).fill(null)
  for (const { cell, value } of y) values[cell.t - firstT] = ofLog ? Math.log(value) : value
  const fit = fitDesign(values, firstT, columns, 'regression')
  switch (gives.figure) {
    case 'coefficient':
      return fit.coefficients[gives.at]!
    case 'sse':
      return fit.sse
    case 'leverage':
      return fit.leverageAt(gives.t)
    case 'smearing':
      return mean(fit.residuals.map(Math.exp))!
  }
}

/** The local regression inside an expression, if there is one. */
export function localFitOf(expression: Expression): LocalFitPicture | null {
  switch (expression.kind) {
    case 'local-fit':
      return expression.fit
    case 'operation':
      return localFitOf(expression.left) ?? localFitOf(expression.right)
    default:
      return null
  }
}

/**
 * The ledger cells an expression was made from, in the order they are read.
 *
 * A figure stands for itself, but for the coefficients of a regression: they come from all of its cells at
 * once, which are named once, after everything else.
 */
export function cellsOf(expression: Expression): Cell[] {
  const cells: Cell[] = []
  const regressions = new Set<Regression>()
  collect(expression, cells, regressions)
  for (const { y } of regressions) for (const { cell } of y) cells.push(cell)
  return cells
}

function collect(expression: Expression, cells: Cell[], regressions: Set<Regression>): void {
  switch (expression.kind) {
    case 'cell':
      cells.push(expression.cell)
      break
    case 'figure': {
      const { made } = expression
      if (made?.kind === 'regression' && made.gives.figure === 'coefficient') {
        regressions.add(made.of)
      }
      break
    }
    case 'average':
      for (const term of expression.terms) collect(term, cells, regressions)
      break
    case 'local-fit':
      cells.push(...expression.fit.sources)
      break
    case 'root':
    case 'ln':
    case 'exp':
    case 'power':
      collect(expression.of, cells, regressions)
      break
    case 'operation':
      collect(expression.left, cells, regressions)
      collect(expression.right, cells, regressions)
      break
    case 'regression':
      regressions.add(expression.of)
      break
    case 't-quantile':
      break
  }
}
