import type { Expression, OfKind, Operator } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

const OPERATORS: Record<
  Operator,
  {
    readonly rank: 1 | 2
    readonly sign: string
    readonly of: (left: number, right: number) => number
  }
> = {
  '+': { rank: 1, sign: '+', of: (left, right) => left + right },
  '−': { rank: 1, sign: '-', of: (left, right) => left - right },
  '×': { rank: 2, sign: '*', of: (left, right) => left * right },
  '÷': { rank: 2, sign: '/', of: (left, right) => left / right },
}

/** An operation between two parts; brackets only where the order of operations needs them. */
export const operation: Kind<OfKind<'operation'>> = {
  parts: ({ left, right }) => [left, right],
  evaluate: ({ operator, left, right }, valueOf) =>
    OPERATORS[operator].of(valueOf(left), valueOf(right)),
  print: ({ operator, left, right }, { print }) => {
    const inside = (part: Expression, isRight: boolean) =>
      needsBrackets(part, operator, isRight) ? `(${print(part)})` : print(part)
    return `${inside(left, false)} ${operator} ${inside(right, true)}`
  },
  cells: () => NO_CELLS,
  formula: ({ operator, left, right }, formulaOf) => {
    const inside = (part: Expression, isRight: boolean) => {
      const own = formulaOf(part)
      return own !== null && needsBrackets(part, operator, isRight) ? `(${own})` : own
    }
    return formulaFrom([inside(left, false), inside(right, true)], (parts) =>
      parts.join(OPERATORS[operator].sign),
    )
  },
}

function needsBrackets(part: Expression, outer: Operator, isRight: boolean): boolean {
  if (part.kind !== 'operation') return false
  const [own, around] = [OPERATORS[part.operator].rank, OPERATORS[outer].rank]
  return own < around || (isRight && own === around && (outer === '−' || outer === '÷'))
}
