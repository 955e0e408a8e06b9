import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { cellValue, ledgerOf } from './ledger'
import type { Result } from '../result'
import { explain } from './explain'
import { EVERY_WAY, quarters, series } from './testing'
import { figureOf, operation, plain, type Expression } from '../column/expression'
import { evaluate, write } from '../column/kinds/kinds'

function everyCell(result: Result) {
  const periods = [...result.columns.t, ...result.forecast.t]
  return ledgerOf(result).columns.flatMap(({ name }) => periods.map((t) => ({ column: name, t })))
}

/** The figures of an arithmetic that say how they were made. */
function figuresIn(expression: Expression): (Expression & { kind: 'figure' })[] {
  switch (expression.kind) {
    case 'figure':
      return expression.made ? [expression] : []
    case 'operation':
      return [...figuresIn(expression.left), ...figuresIn(expression.right)]
    case 'average':
      return expression.terms.flatMap(figuresIn)
    case 'root':
    case 'exp':
    case 'power':
      return figuresIn(expression.of)
    default:
      return []
  }
}

describe.each(EVERY_WAY)('with %s', (_, input, method) => {
  const result = analyse(input, method)

  it('every defined cell is what its arithmetic comes to', () => {
    let checked = 0
    for (const cell of everyCell(result)) {
      const explanation = explain(result, cell.column, cell.t)
      const value = cellValue(result, cell)
      expect(explanation.defined).toBe(value !== null)
      if (!explanation.defined || value === null) continue
      const got = evaluate(explanation.expression)
      expect(Math.abs(got - value)).toBeLessThanOrEqual(1e-11 * Math.max(1, Math.abs(value)))
      checked += 1
    }
    expect(checked).toBeGreaterThan(100)
  })

  it('every source is a defined cell of the ledger', () => {
    for (const cell of everyCell(result)) {
      const explanation = explain(result, cell.column, cell.t)
      if (!explanation.defined) continue
      for (const source of explanation.sources) {
        expect(cellValue(result, source)).not.toBeNull()
      }
    }
  })

  it('every figure in an arithmetic that says how it was made comes to its own value', () => {
    const made = new Set<Expression & { kind: 'figure' }>()
    for (const cell of everyCell(result)) {
      const explanation = explain(result, cell.column, cell.t)
      if (explanation.defined) for (const one of figuresIn(explanation.expression)) made.add(one)
    }
    for (const { symbol, value, made: from } of made) {
      const got = evaluate(from!)
      expect(Math.abs(got - value), symbol).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)))
    }
    // Coefficients are in every result: a and b of a line, and with limits s, h and t.
    const { interval, pastErrors } = result.forecast
    const isFitted = result.trendFit.form !== 'smoothed'
    // Of a smoothing and of past errors they come from no formula of cells.
    const hasLimits =
      interval.df > 0 && !pastErrors && isFitted && result.forecast.by !== 'smoothing'
    expect(new Set([...made].map(({ symbol }) => symbol)).size).toBeGreaterThanOrEqual(
      hasLimits ? 4 : isFitted ? 2 : 0,
    )
  })

  it('every undefined cell says why', () => {
    for (const cell of everyCell(result)) {
      const explanation = explain(result, cell.column, cell.t)
      if (!explanation.defined) expect(explanation.because).toMatch(/^[A-Z].+\.$/)
    }
  })
})

describe('the words of an explanation', () => {
  const result = analyse(series(quarters), { format: 'elvant-method/1' })
  const one = (value: number) => String(Math.round(value * 1000) / 1000)

  it('a ratio', () => {
    const explanation = explain(result, 'seasonalIrregular', 3)
    expect(explanation).toMatchObject({
      title: 'Ratio, 2020 Q3',
      means: 'values ÷ average',
      unit: 'factor',
      reading: '33% above the baseline',
      sources: [
        { column: 'value', t: 3 },
        { column: 'trendCycle', t: 3 },
      ],
    })
    if (!explanation.defined) throw new Error('undefined')
    expect(write(explanation.expression)).toBe('values (2020 Q3) ÷ centred average (2020 Q3)')
    expect(write(explanation.expression, one)).toBe('75 ÷ 56.5')
  })

  it('an average between two periods', () => {
    const explanation = explain(result, 'movingAverage', 1)
    expect(explanation.title).toBe('4-term average, between 2020 Q2 and 2020 Q3')
    if (!explanation.defined) throw new Error('undefined')
    expect(write(explanation.expression, one)).toBe('mean of (42, 68, 75, 39)')
  })

  it('a centred average keeps its parentheses', () => {
    const explanation = explain(result, 'trendCycle', 3)
    if (!explanation.defined) throw new Error('undefined')
    expect(write(explanation.expression, one)).toBe('(56 + 57) ÷ 2')
  })

  it('a trend came from every deseasonalized period', () => {
    const explanation = explain(result, 'trend', 20)
    if (!explanation.defined) throw new Error('undefined')
    expect(explanation.sources).toHaveLength(16)
    expect(new Set(explanation.sources.map(({ column }) => column))).toEqual(
      new Set(['deseasonalized']),
    )
  })

  it('the ends have no average, and it says on which side', () => {
    const [first, last] = [explain(result, 'trendCycle', 1), explain(result, 'trendCycle', 16)]
    expect(!first.defined && first.because).toContain('before')
    expect(!last.defined && last.because).toContain('after')
  })

  it('no such cell is an error of the caller', () => {
    expect(() => explain(result, 'value', 0)).toThrow(RangeError)
    expect(() => explain(result, 'value', 21)).toThrow(RangeError)
    expect(() => explain(result, 'upper:42', 17)).toThrow(RangeError)
  })
})

describe('write', () => {
  const [a, b, c] = [plain(1), plain(2), plain(3)]

  it('puts parentheses where the order of operations needs them, and only there', () => {
    expect(write(operation(operation(a, '+', b), '×', c))).toBe('(1 + 2) × 3')
    expect(write(operation(operation(a, '×', b), '+', c))).toBe('1 × 2 + 3')
    expect(write(operation(a, '−', operation(b, '+', c)))).toBe('1 − (2 + 3)')
    expect(write(operation(a, '÷', operation(b, '×', c)))).toBe('1 ÷ (2 × 3)')
    expect(write(operation(operation(a, '−', b), '+', c))).toBe('1 − 2 + 3')
  })

  it('puts a negative number in parentheses', () => {
    expect(write(operation(a, '−', figureOf('b', -2)), String)).toBe('1 − (-2)')
  })

  it('shortens a long list in the middle and says by how much', () => {
    const terms = Array.from({ length: 40 }, (_, i) => plain(i + 1))
    const text = write({ kind: 'average', how: 'mean', terms })
    expect(text).toContain('1, 2, 3, 4, 5, … 30 more …, 36, 37, 38, 39, 40')
  })
})
