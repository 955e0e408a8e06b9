import { declare, type Column } from '../column/column'
import { operation, parameterOf, plain, type Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { transformWords } from './powerScale'

/** The values on the scale of a power. */
export function transformedColumn(run: Run, lambda: number, values: readonly Value[]): Column {
  return declare(run.unit, {
    name: 'transformed',
    label: 'Transformed',
    symbol: 'transformed',
    means: transformWords(lambda, run.noun),
    measure: 'number',
    component: 'original',
    mark: 'line-thin',
    stages: ['trend'],
    actual: values,
    arithmetic: (t) => {
      const value = run.cell(run.input.column, t)
      if (lambda === 0) return { kind: 'ln', of: value }
      const power = { kind: 'power', of: value, power: lambda } as const
      return operation(operation(power, '−', plain(1)), '÷', parameterOf('λ', lambda))
    },
    whyUndefined: () => 'This period has no value.',
  })
}

/** exp(z), or (1 + λ × z) to the power 1/λ. */
export function backExpression(z: Expression, lambda: number): Expression {
  if (lambda === 0) return { kind: 'exp', of: z }
  const base = operation(plain(1), '+', operation(parameterOf('λ', lambda), '×', z))
  return { kind: 'power', of: base, power: 1 / lambda }
}

/** What makes the mean of a forecast of its median: exp(s²/2), or 1 + s²(1 − λ) ÷ 2(λz + 1)², s its standard error. */
export function meanOverArithmetic(z: Expression, s: Expression, lambda: number): Expression {
  const square: Expression = { kind: 'power', of: s, power: 2 }
  if (lambda === 0) return { kind: 'exp', of: operation(square, '÷', plain(2)) }
  const own = parameterOf('λ', lambda)
  const base = operation(operation(own, '×', z), '+', plain(1))
  const below = operation(plain(2), '×', { kind: 'power', of: base, power: 2 })
  const above = operation(square, '×', operation(plain(1), '−', own))
  return operation(plain(1), '+', operation(above, '÷', below))
}
