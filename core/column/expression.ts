import type { DesignColumn } from '../regression/design'
import type { Cell } from './cell'
import type { LocalFitPicture } from './localFit'

/** An operation between two parts of a calculation, as it is printed. */
export type Operator = '+' | '−' | '×' | '÷'

/** How a list of terms becomes one figure. */
export type AverageHow =
  | 'mean'
  | 'median'
  | 'trimmed-mean'
  | 'geometric-mean'
  | 'standard-deviation'
  | 'mean-square'
  | 'sum'
  | 'number'

/** The arithmetic behind a cell, down to the cells and figures it was made from. */
export type Expression =
  | CellExpression
  /**
   * A figure that is not in the ledger, such as a slope; or a plain number. `made` says where it came from,
   * and is left out for what was given, and for what no formula can say. A parameter is of the whole method, and may be changed.
   */
  | {
      readonly kind: 'figure'
      readonly symbol: string
      readonly value: number
      readonly made?: Expression
      readonly isParameter?: boolean
    }
  /** `leftOut` are the cells that would count if the analyst had not left them out. */
  | {
      readonly kind: 'average'
      readonly how: AverageHow
      readonly terms: readonly Expression[]
      readonly leftOut?: readonly CellExpression[]
    }
  /** A local regression, drawn beside the arithmetic. */
  | { readonly kind: 'local-fit'; readonly symbol: string; readonly fit: LocalFitPicture }
  | {
      readonly kind: 'operation'
      readonly operator: Operator
      readonly left: Expression
      readonly right: Expression
    }
  | { readonly kind: 'root'; readonly of: Expression }
  | { readonly kind: 'absolute'; readonly of: Expression }
  | { readonly kind: 'power'; readonly of: Expression; readonly power: number }
  | { readonly kind: 'ln'; readonly of: Expression }
  /** e to the power of what it holds: the way back from a logarithm. */
  | { readonly kind: 'exp'; readonly of: Expression }
  /** A figure of a least-squares regression. */
  | { readonly kind: 'regression'; readonly gives: RegressionFigure; readonly of: Regression }
  /** The t that a two-sided interval of a level reaches to. */
  | { readonly kind: 't-quantile'; readonly level: number; readonly df: Expression }
  /** The z that a two-sided interval of a level reaches to. */
  | { readonly kind: 'normal-quantile'; readonly level: number }

/** Another cell of the ledger. */
export interface CellExpression {
  readonly kind: 'cell'
  readonly cell: Cell
  readonly symbol: string
  readonly value: number
}

/** A regression of cells, or of their logarithms, on a design; the same object in everything that comes from it. */
export interface Regression {
  readonly y: readonly CellExpression[]
  readonly ofLog: boolean
  readonly columns: readonly DesignColumn[]
  /** Rows of the ledger that hold those columns, in the same order; left out where they stand in none. */
  readonly rows?: readonly string[]
}

/** What a regression gives: a coefficient (0 is the constant), SSE, or x₀ᵀ(XᵀX)⁻¹x₀ at a time code. */
export type RegressionFigure =
  | { readonly figure: 'coefficient'; readonly at: number }
  | { readonly figure: 'sse' }
  | { readonly figure: 'leverage'; readonly t: number }
  /** The same of what the columns from a place on have at a time code, the first 0, without the constant and the others. */
  | { readonly figure: 'part'; readonly t: number; readonly from: number }
  /** The mean of exp(residual), for the mean of what comes back from logarithms. */
  | { readonly figure: 'smearing' }

/** A figure with its name, its value and, where there is one, the arithmetic that made it. */
export function figureOf(symbol: string, value: number, made?: Expression): Expression {
  return made ? { kind: 'figure', symbol, value, made } : { kind: 'figure', symbol, value }
}

/** A figure of the whole method that was given or searched for, such as a weight: one place in a workbook, and what follows from it. */
export function parameterOf(symbol: string, value: number): Expression {
  return { kind: 'figure', symbol, value, isParameter: true }
}

/** A number that stands for itself, such as the 2 of a second average. */
export function plain(value: number): Expression {
  return figureOf(String(value).replace('-', '−'), value)
}

export function operation(left: Expression, operator: Operator, right: Expression): Expression {
  return { kind: 'operation', operator, left, right }
}

/** The mean of `count` terms. */
export function meanOf(count: number, term: (i: number) => Expression): Expression {
  return { kind: 'average', how: 'mean', terms: Array.from({ length: count }, (_, i) => term(i)) }
}

/** The name of a kind, and the expressions of it. */
export type KindName = Expression['kind']
export type OfKind<Name extends KindName> = Expression & { readonly kind: Name }
