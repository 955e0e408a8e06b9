import { declare, type Column } from '../column/column'
import { figureOf, operation, plain, type Expression } from '../column/expression'
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
      return operation(operation(power, '−', plain(1)), '÷', figureOf('λ', lambda))
    },
    whyUndefined: () => 'This period has no value.',
  })
}

/** exp(z), or (1 + λ × z) to the power 1/λ. */
export function backExpression(z: Expression, lambda: number): Expression {
  if (lambda === 0) return { kind: 'exp', of: z }
  const base = operation(plain(1), '+', operation(figureOf('λ', lambda), '×', z))
  return { kind: 'power', of: base, power: 1 / lambda }
}
