import { figure } from '../words/figure'
import { evaluate, type Expression, type Operator } from './expression'

const RANK: Record<Operator, number> = { '+': 1, '−': 1, '×': 2, '÷': 2 }
/** Longer lists than this are shortened in the middle when they are printed. */
const LONGEST_LIST = 13

/**
 * Prints an expression, in symbols or with its numbers; parentheses only where the order of
 * operations needs them.
 *
 * @param number how a figure is printed; left out, the symbols are printed instead
 * @example `sales(May 2021) ÷ average(May 2021)`, and with numbers `48,210 ÷ 36,433`
 */
export function write(expression: Expression, number?: (value: number) => string): string {
  switch (expression.kind) {
    case 'cell':
    case 'figure':
    case 'local-fit': {
      if (!number) return expression.symbol
      const value = evaluate(expression)
      return value < 0 ? `(${number(value)})` : number(value)
    }
    case 'average':
      return `${expression.how.replace('-', ' ')} of (${shortened(expression.terms.map((term) => write(term, number)))})`
    case 'root':
      return `√(${write(expression.of, number)})`
    case 'ln':
      return `ln(${write(expression.of, number)})`
    case 'exp':
      return `exp(${write(expression.of, number)})`
    case 'power':
      return `(${write(expression.of, number)})${superscript(expression.power)}`
    case 'regression':
    case 't-quantile':
      return number ? number(evaluate(expression)) : nameOf(expression)
    case 'operation': {
      const { operator, left, right } = expression
      return `${inside(left, operator, false, number)} ${operator} ${inside(right, operator, true, number)}`
    }
  }
}

/** What is said in place of the arithmetic of a whole regression, or of a distribution. */
function nameOf(expression: Expression & { kind: 'regression' | 't-quantile' }): string {
  if (expression.kind === 't-quantile') {
    return `t(${expression.level}%, ${write(expression.df)} df)`
  }
  const { gives, of } = expression
  switch (gives.figure) {
    case 'coefficient':
      return gives.at === 0 ? 'constant' : `coefficient of ${of.columns[gives.at - 1]!.label}`
    case 'sse':
      return 'sum of squared residuals'
    case 'leverage':
      return `leverage at time code ${gives.t}`
    case 'smearing':
      return 'mean of exp(residual)'
  }
}

const DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** `²`; of a power that is no whole number `^1.618`. */
function superscript(power: number): string {
  if (!Number.isInteger(power) || power < 0) return `^${figure(power)}`
  return [...String(power)].map((digit) => DIGITS[Number(digit)]).join('')
}

function inside(
  part: Expression,
  outer: Operator,
  isRight: boolean,
  number: ((value: number) => string) | undefined,
): string {
  const text = write(part, number)
  if (part.kind !== 'operation') return text
  const looser = RANK[part.operator] < RANK[outer]
  const turnsSign =
    isRight && RANK[part.operator] === RANK[outer] && (outer === '−' || outer === '÷')
  return looser || turnsSign ? `(${text})` : text
}

function shortened(terms: readonly string[]): string {
  if (terms.length <= LONGEST_LIST) return terms.join(', ')
  return [...terms.slice(0, 5), `… ${terms.length - 10} more …`, ...terms.slice(-5)].join(', ')
}
