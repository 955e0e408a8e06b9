import { AVERAGE, type IndexAverage } from '../decompose/averages/seasonalIndices'
import { standardDeviation } from '../statistics/spread'
import type { Cell } from '../ledger/cell'
import type { LocalFitPicture } from './localFit'

/** An operation between two parts of a calculation, as it is printed. */
export type Operator = '+' | '−' | '×' | '÷'

/** The arithmetic behind a cell, down to the cells and figures it was made from. */
export type Expression =
  /** Another cell of the ledger. */
  | { readonly kind: 'cell'; readonly cell: Cell; readonly symbol: string; readonly value: number }
  /** A figure of the method that is not in the ledger, such as a slope; or a plain number. */
  | { readonly kind: 'figure'; readonly symbol: string; readonly value: number }
  | {
      readonly kind: 'average'
      readonly how: AverageHow
      readonly terms: readonly Expression[]
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
  | { readonly kind: 'power'; readonly of: Expression; readonly power: number }

/** How a list of terms becomes one figure. */
export type AverageHow = IndexAverage | 'geometric-mean' | 'standard-deviation'

export function figureOf(symbol: string, value: number): Expression {
  return { kind: 'figure', symbol, value }
}

/** A number that stands for itself, such as the 2 of a second average. */
export function plain(value: number): Expression {
  return figureOf(String(value), value)
}

export function operation(left: Expression, operator: Operator, right: Expression): Expression {
  return { kind: 'operation', operator, left, right }
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
      return averageOf(expression.how, expression.terms.map(evaluate))
    case 'local-fit':
      return expression.fit.value
    case 'power':
      return evaluate(expression.of) ** expression.power
    case 'root':
      return Math.sqrt(evaluate(expression.of))
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

function averageOf(how: AverageHow, values: readonly number[]): number {
  if (how === 'standard-deviation') return standardDeviation(values)!
  if (how === 'geometric-mean') return Math.exp(AVERAGE.mean(values.map(Math.log))!)
  return AVERAGE[how](values)!
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

/** The ledger cells an expression was made from, in the order they are read. */
export function cellsOf(expression: Expression): Cell[] {
  switch (expression.kind) {
    case 'cell':
      return [expression.cell]
    case 'figure':
      return []
    case 'average':
      return expression.terms.flatMap(cellsOf)
    case 'local-fit':
      return [...expression.fit.sources]
    case 'root':
    case 'power':
      return cellsOf(expression.of)
    case 'operation':
      return [...cellsOf(expression.left), ...cellsOf(expression.right)]
  }
}
