import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { evaluate } from '../column/expression'
import type { Series } from '../series/series'
import type { AverageKind } from '../smoothing/averageKinds'
import { explainColumn } from '../ledger/explain'
import { ledgerOf } from '../ledger/ledger'
import { besideName, GROWTH_KINDS, type Beside } from './beside'
import { besideColumn } from './besideColumn'

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, null, 45, 55, 86, 95, 48, 60, 90, 101, 52]
const series: Series = {
  name: 'Contract work',
  unit: 'jobs',
  calendar: calendarOf('quarterly'),
  start: { year: 2020, season: 1 },
  values,
}
const result = analyse(series, { format: 'elvant-method/1' })
const { run } = ledgerOf(result)

const AVERAGES: readonly AverageKind[] = [
  { kind: 'centred', order: 3 },
  { kind: 'centred', order: 4 },
  { kind: 'off-centre', order: 4 },
  { kind: 'composite', p: 3, q: 3 },
  { kind: 'trailing', order: 4 },
  { kind: 'henderson', length: 5 },
  { kind: 'weights', weights: [0.25, 0.5, 0.25] },
]
const ALL: readonly Beside[] = [
  ...AVERAGES.map((by): Beside => ({ kind: 'average', by })),
  { kind: 'rolling-mean', order: 3 },
  { kind: 'rolling-deviation', order: 4 },
  { kind: 'detrended', form: 'quadratic' },
  { kind: 'detrended', form: 'exponential' },
  ...(['first', 'second', 'seasonal', 'seasonal-first'] as const).map((how): Beside => ({
    kind: 'differenced',
    how,
  })),
  ...GROWTH_KINDS.flatMap((rate): Beside[] => [
    { kind: 'growth', rate, on: 'value' },
    { kind: 'growth', rate, on: 'deseasonalized' },
  ]),
]

describe.each(ALL.map((beside) => [besideName(beside), beside] as const))('%s', (_, beside) => {
  const column = besideColumn(result, beside)

  it('every figure is what its arithmetic comes to, and every gap says why', () => {
    column.actual!.forEach((value, i) => {
      const explained = explainColumn(run, column, i + 1, value)
      if (value === null) expect(explained).toMatchObject({ defined: false })
      else {
        if (!explained.defined) throw new Error('The figure has no arithmetic.')
        expect(evaluate(explained.expression)).toBeCloseTo(value, 9)
        for (const { t } of explained.sources) expect(values[t - 1]).not.toBeNull()
      }
    })
    expect(column.actual!.some((value) => value !== null)).toBe(true)
  })
})

describe('what came after a span that ends early', () => {
  const early = analyse(series, {
    format: 'elvant-method/1',
    span: { from: '2020-Q1', to: '2023-Q4' },
    forecast: { horizon: 6 },
  })
  const came = [55, 86, 95, null, null, null]
  const { run: earlyRun, find } = ledgerOf(early)
  const column = (kind: 'came' | 'came-error') => besideColumn(early, { kind, came })

  it('stands over the forecast, with the error of every period that came', () => {
    const forecast = find('forecast')!.ahead!
    expect(column('came').ahead).toEqual(came)
    expect(column('came').actual).toBeNull()
    expect(column('came-error').ahead).toEqual(
      came.map((value, i) => (value === null ? null : value - forecast[i]!)),
    )
  })

  it('says how an error came about, and where nothing came', () => {
    const error = column('came-error')
    const explained = explainColumn(earlyRun, error, 17, error.ahead![0]!)
    if (!explained.defined) throw new Error('The error has no arithmetic.')
    expect(evaluate(explained.expression)).toBeCloseTo(error.ahead![0]!, 9)
    expect(explained.sources).toEqual([{ column: 'forecast', t: 17 }])
    expect(explainColumn(earlyRun, error, 20, null)).toMatchObject({
      because: 'Nothing came in 2024 Q4, or it is not known yet.',
    })
  })
})

describe('what is beside the ledger', () => {
  it('has a name of its own', () => {
    expect(new Set(ALL.map(besideName)).size).toBe(ALL.length)
  })

  it('stands where it is said to: an off-centre average between two periods', () => {
    const off = besideColumn(result, { kind: 'average', by: { kind: 'off-centre', order: 4 } })
    expect(off.offset).toBe(1.5)
    expect(off.actual![0]).toBe(56)
    expect(explainColumn(run, off, 1, 56).title).toBe('4-term average, between 2020 Q2 and 2020 Q3')
  })

  it.each([
    [{ kind: 'centred', order: 0 }, 'whole number'],
    [{ kind: 'composite', p: 2, q: 5 }, 'falls between two periods'],
    [{ kind: 'henderson', length: 8 }, 'odd number'],
    [{ kind: 'weights', weights: [0.5, 0.2, 0.2] }, 'symmetric'],
  ] as const)('refuses %j by name', (by, words) => {
    expect(() => besideColumn(result, { kind: 'average', by })).toThrow(words)
  })
})
