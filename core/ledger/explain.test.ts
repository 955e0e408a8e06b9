import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { cellValue, ledgerOf } from './ledger'
import { BENCHMARKS } from '../forecast/benchmarks'
import type { MethodDocument } from '../method'
import type { Result } from '../result'
import type { Series, Value } from '../series/series'
import { explain } from './explain'
import { figureOf, operation, plain, type Expression } from '../column/expression'
import { evaluate, write } from '../column/kinds/kinds'

const quarters: Value[] = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

function series(values: readonly Value[], more: Partial<Series> = {}): Series {
  return {
    name: 'Contract work',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { year: 2020, season: 1 },
    values,
    ...more,
  }
}

const five: Series = series(
  [90, 120, 60, 80, 110, 95, 130, 66, 84, 118, 99, 137, 70, 90, 121, 104, 140],
  { calendar: calendarOf('seasons', { seasons: 5 }), start: { year: 12, season: 3 } },
)

const decompose = (more: MethodDocument['decompose']): MethodDocument => ({
  format: 'elvant-method/1',
  decompose: more,
})

/** Every way to calculate that this version has, on series with and without gaps. */
const CASES: readonly (readonly [name: string, series: Series, method: MethodDocument])[] = [
  ['the defaults', series(quarters), { format: 'elvant-method/1' }],
  ['additive', series(quarters), decompose({ model: 'additive' })],
  ['median, not adjusted', series(quarters), decompose({ average: 'median', adjust: false })],
  ['trimmed mean', series(quarters), decompose({ average: 'trimmed-mean' })],
  ['simple averages', series(quarters), decompose({ by: 'simple-averages' })],
  [
    'additive simple averages',
    series(quarters),
    decompose({ by: 'simple-averages', model: 'additive' }),
  ],
  [
    'indices given, adjusted',
    series(quarters),
    decompose({ indices: { given: [80, 120, 141, 61], source: 'the group' } }),
  ],
  ['ratio to trend', series(quarters), decompose({ by: 'ratio-to-trend' })],
  ['no season', series(quarters), decompose({ by: 'none' })],
  [
    'no season, an odd average, a missing quarter',
    series(quarters.with(6, null)),
    decompose({ by: 'none', model: 'additive', order: 5 }),
  ],
  ['robust loess', series(quarters), decompose({ by: 'stl', seasonalWindow: 7 })],
  [
    'loess, additive, not robust, with a missing quarter and a wide trend',
    series(quarters.with(6, null)),
    decompose({
      by: 'stl',
      model: 'additive',
      robust: false,
      trendWindow: 19,
      exclude: [{ period: '2022-Q1', reason: 'strike' }],
    }),
  ],
  [
    'a season that never changes',
    series([...quarters, 52, 80, 97, 48]),
    decompose({ by: 'stl', seasonalWindow: 'periodic' }),
  ],
  ...BENCHMARKS.map(
    (which) =>
      [
        `benchmark: ${which}`,
        series(quarters.with(6, null)),
        { format: 'elvant-method/1', forecast: { by: 'benchmark', which, horizon: 6 } },
      ] as const,
  ),
  ...(['multiplicative', 'additive'] as const).map(
    (model) =>
      [
        `limits from past errors, ${model}`,
        series([...quarters, ...quarters.map((value) => value! + 9)]),
        {
          format: 'elvant-method/1',
          decompose: { model },
          forecast: { limits: 'past-errors', levels: [50, 95], horizon: 20 },
        },
      ] as const,
  ),
  ...(
    [
      ['additive', 'multiplicative', 'additive'],
      ['damped', 'additive', 'additive'],
      ['multiplicative', 'none', 'proportional'],
      ['none', 'multiplicative', 'proportional'],
    ] as const
  ).map(
    ([trend, season, error]) =>
      [
        `smoothing: ${trend} trend, ${season} season, ${error} errors`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          forecast: { by: 'smoothing', trend, season, error, horizon: 6, initial: 'rule' },
        },
      ] as const,
  ),
  ...(
    [
      ['ln', 'additive', 'mean'],
      [0.4, 'additive', 'median'],
      ['chosen', 'multiplicative', 'mean'],
    ] as const
  ).map(
    ([transform, season, backTransform]) =>
      [
        `smoothing of values transformed by ${transform}, ${season} season, ${backTransform}`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          forecast: { by: 'smoothing', season, transform, backTransform, initial: 'rule' },
        },
      ] as const,
  ),
  ...(['chosen', 'none', 'damped'] as const).map(
    (smoothing) =>
      [
        `a smoothed trend, ${smoothing}`,
        series(quarters.map((value, i) => (i === 6 ? null : value))),
        {
          format: 'elvant-method/1',
          trend: { form: 'smoothed', smoothing, ...(smoothing === 'damped' ? { last: 12 } : {}) },
        },
      ] as const,
  ),
  [
    'a combination of three methods',
    series([...quarters, ...quarters.map((value) => value! + 9)].with(9, null)),
    {
      format: 'elvant-method/1',
      forecast: {
        by: 'combination',
        average: 'median',
        of: [{}, { forecast: { by: 'benchmark' } }, { forecast: { by: 'regression' } }],
      },
    },
  ],
  ['an odd number of seasons', five, { format: 'elvant-method/1' }],
  ['a missing quarter', series(quarters.with(6, null)), { format: 'elvant-method/1' }],
  [
    'a value left out and a trend through the last ten',
    series(quarters),
    {
      format: 'elvant-method/1',
      decompose: { exclude: [{ period: '2021-Q3', reason: 'strike' }] },
      trend: { last: 10 },
    },
  ],
  [
    'a span inside the series',
    series(quarters),
    { format: 'elvant-method/1', span: { from: '2020-Q3', to: '2023-Q2' } },
  ],
  [
    'a trend that bends and steps, in days',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: {
        form: 'breaks',
        time: 'days',
        breaks: [{ period: '2021-Q2' }, { period: '2022-Q3', level: true }],
      },
    },
  ],
  ['no trend', series(quarters), { format: 'elvant-method/1', trend: { form: 'none' } }],
  [
    'a cubic trend, additive',
    series(quarters),
    { format: 'elvant-method/1', decompose: { model: 'additive' }, trend: { form: 'cubic' } },
  ],
  ...(['median', 'mean', 'smearing'] as const).map(
    (backTransform): [string, Series, MethodDocument] => [
      `an exponential trend by its ${backTransform}`,
      series(quarters),
      {
        format: 'elvant-method/1',
        trend: { form: 'exponential', last: 12 },
        forecast: { backTransform },
      },
    ],
  ),
  [
    'a regression with effects, smearing and an event',
    series(quarters.with(6, null)),
    {
      format: 'elvant-method/1',
      forecast: {
        by: 'regression',
        backTransform: 'smearing',
        indicators: [{ name: 'strike', from: '2021-Q1' }],
        steps: [{ name: 'shop', from: '2022-Q2' }],
      },
    },
  ],
  [
    'an additive regression with slopes by season on the last twelve',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { last: 12 },
      forecast: { by: 'regression', model: 'additive', season: 'dummies-by-trend', base: 2 },
    },
  ],
  [
    'a regression with waves and a quadratic trend, by its mean',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { form: 'quadratic' },
      forecast: { by: 'regression', season: 'fourier', pairs: 2, backTransform: 'mean' },
    },
  ],
  [
    'a regression without a season, of days',
    series(quarters),
    {
      format: 'elvant-method/1',
      trend: { time: 'days' },
      forecast: { by: 'regression', season: 'none', model: 'additive' },
    },
  ],
  [
    'no limits for want of degrees of freedom',
    series(quarters),
    { format: 'elvant-method/1', trend: { last: 5 } },
  ],
]

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

describe.each(CASES)('with %s', (_, input, method) => {
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
