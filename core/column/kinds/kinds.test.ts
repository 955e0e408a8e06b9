import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mean, median } from '../../statistics/average'
import { normalQuantile, tQuantile } from '../../statistics/distributions'
import { standardDeviation } from '../../statistics/spread'
import {
  figureOf,
  meanOf,
  operation,
  parameterOf,
  plain,
  type CellExpression,
  type Expression,
} from '../expression'
import type { Cell } from '../cell'
import type { Addresses } from './kind'
import { cellsOf, evaluate, formulaOf, partsOf, write } from './kinds'

/** A cell whose value is its time code, so that an address is its figure. */
const cell = (t: number): CellExpression => ({
  kind: 'cell',
  cell: { column: 'value', t },
  symbol: `sales (${t})`,
  value: t,
})
const AT: Addresses = {
  cell: ({ t }) => `(${t})`,
  cells: (cells) => cells.map(({ t }) => `(${t})`),
  range: (from, to) => `(${from.t}):(${to.t})`,
  figure: ({ value }, formula) => `(${formula ?? value})`,
  regression: () => null,
}

/** What the functions of a spreadsheet do. */
const SHEET = {
  AVERAGE: (...values: number[]) => mean(values)!,
  MEDIAN: (...values: number[]) => median(values)!,
  GEOMEAN: (...values: number[]) => Math.exp(mean(values.map(Math.log))!),
  STDEV: (...values: number[]) => standardDeviation(values)!,
  SUM: (...values: number[]) => values.reduce((sum, value) => sum + value, 0),
  MIN: Math.min,
  MAX: Math.max,
  SQRT: Math.sqrt,
  LN: Math.log,
  EXP: Math.exp,
  POWER: Math.pow,
  IF: (is: boolean, then: number, otherwise: number) => (is ? then : otherwise),
  COUNT: (...values: number[]) => values.length,
  SUMSQ: (...values: number[]) => values.reduce((sum, value) => sum + value * value, 0),
  NORMSINV: (share: number) => normalQuantile(200 * (share - 0.5)),
  TINV: (share: number, df: number) => tQuantile(100 * (1 - share), df),
}
const worksOut = (formula: string): number =>
  new Function(...Object.keys(SHEET), `return ${formula}`)(...Object.values(SHEET)) as number

const { expression } = fc.letrec<{ expression: Expression }>((tie) => ({
  expression: fc.oneof(
    { maxDepth: 5, withCrossShrink: true },
    fc.integer({ min: 1, max: 40 }).map(cell),
    fc.double({ min: 0.1, max: 9, noNaN: true }).map(plain),
    tie('expression').map((made) => figureOf('s', evaluate(made), made)),
    fc
      .tuple(
        tie('expression'),
        fc.constantFrom('+' as const, '−' as const, '×' as const, '÷' as const),
        tie('expression'),
      )
      .map(([left, operator, right]) => operation(left, operator, right)),
    fc
      .tuple(
        fc.constantFrom(
          'mean' as const,
          'median' as const,
          'trimmed-mean' as const,
          'standard-deviation' as const,
          'mean-square' as const,
          'number' as const,
        ),
        fc.array(tie('expression'), { minLength: 2, maxLength: 5 }),
      )
      .map(([how, terms]): Expression => ({ kind: 'average', how, terms })),
    tie('expression').map((of): Expression => ({ kind: 'power', of, power: 2 })),
    tie('expression').map((of): Expression => ({ kind: 'root', of })),
    tie('expression').map((of): Expression => ({ kind: 'ln', of })),
  ),
}))

/** Whether everything in it is a figure of a size that sums keep. */
function isTame(own: Expression): boolean {
  return Math.abs(evaluate(own)) < 1e6 && partsOf(own).every(isTame)
}

describe('an expression', () => {
  it('comes to the same as the formula that it is written as', () => {
    fc.assert(
      fc.property(expression, (own) => {
        fc.pre(isTame(own))
        const value = evaluate(own)
        const formula = worksOut(formulaOf(own, AT)!)
        expect(Math.abs(formula - value)).toBeLessThanOrEqual(1e-7 * (1 + Math.abs(value)))
      }),
      { numRuns: 300 },
    )
  })

  it('puts brackets only where the order of operations needs them', () => {
    const sum = operation(cell(1), '+', cell(2))
    expect(formulaOf(operation(sum, '×', cell(3)), AT)).toBe('((1)+(2))*(3)')
    expect(formulaOf(operation(cell(3), '+', sum), AT)).toBe('(3)+(1)+(2)')
    expect(formulaOf(operation(cell(3), '−', sum), AT)).toBe('(3)-((1)+(2))')
    // A figure is what made it: its own order counts.
    expect(formulaOf(operation(plain(2), '÷', figureOf('s', 3, sum)), AT)).toBe('2/((1)+(2))')
    expect(write(operation(sum, '×', plain(2)))).toBe('(sales (1) + sales (2)) × 2')
  })

  it('says what no formula can say by none, all the way up', () => {
    const fit = {
      kind: 'local-fit',
      symbol: 'local line',
      fit: { value: 7, sources: [] },
    } as unknown as Expression
    expect(formulaOf(fit, AT)).toBeNull()
    expect(formulaOf(operation(cell(1), '+', { kind: 'exp', of: fit }), AT)).toBeNull()
    // A figure whose making no formula can say stands as its value.
    expect(formulaOf(operation(cell(1), '+', figureOf('b', -7, fit)), AT)).toBe('(1)+(-7)')
    expect(formulaOf(cell(1), { ...AT, cell: () => null })).toBeNull()
  })

  it('is one term over ranges where many are the same arithmetic a period later', () => {
    const share = (t: number) =>
      operation(operation(cell(t), '−', cell(t + 100)), '÷', parameterOf('σ', 3))
    const periods = [...Array.from({ length: 40 }, (_, i) => i + 1), 51, 52, 60]
    expect(
      formulaOf(
        meanOf(43, (i) => share(periods[i]!)),
        AT,
      ),
    ).toBe(
      '((SUMPRODUCT(((1):(40)-(101):(140))/(3))+SUMPRODUCT(((51):(52)-(151):(152))/(3))+((60)-(160))/(3))/43)',
    )
    expect(formulaOf(meanOf(3, share), AT)).toMatch(/^AVERAGE/)
  })

  it('asks for the cells that are left out beside those that count', () => {
    const asked: [number, boolean][] = []
    const at = {
      ...AT,
      cells: (cells: readonly Cell[], unlessLeftOut: boolean) => {
        asked.push([cells.length, unlessLeftOut])
        return ['A1:A9']
      },
    }
    const own = { kind: 'average', how: 'median', terms: [cell(1), cell(2)] } as const
    expect(formulaOf(own as Expression, at)).toBe('MEDIAN(A1:A9)')
    formulaOf({ ...own, leftOut: [cell(3)] } as Expression, at)
    expect(asked).toEqual([
      [2, false],
      [3, true],
    ])
  })

  it('names its cells in the order in which they are read', () => {
    const own = operation({ kind: 'average', how: 'mean', terms: [cell(3), cell(1)] }, '÷', {
      kind: 'root',
      of: cell(2),
    })
    expect(cellsOf(own).map(({ t }) => t)).toEqual([3, 1, 2])
  })

  it('reaches to the quantile of its level', () => {
    const quantile: Expression = { kind: 't-quantile', level: 95, df: plain(10) }
    expect(worksOut(formulaOf(quantile, AT)!)).toBeCloseTo(2.228139, 5)
    expect(write(quantile)).toBe('t(95%, 10 df)')
  })
})
