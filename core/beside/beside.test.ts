import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { evaluate } from '../column/kinds/kinds'
import type { Series } from '../series/series'
import type { AverageKind } from '../smoothing/averageKinds'
import { DIFFERENCES } from '../stationarity/difference'
import { DETREND_FORMS } from '../trend/leastSquares/forms'
import { explainColumn } from '../ledger/explain'
import { ledgerOf } from '../ledger/ledger'
import { besideName, GROWTH_KINDS, type Beside } from './beside'
import { besideColumn } from './besideColumn'
import { restOf, WHOLE, type Rest } from './rest'

const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, null, 45, 55, 86, 95, 48, 60, 90, 101, 52]
const series: Series = {
  name: 'Contract work',
  unit: 'jobs',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2020, season: 1 },
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
  { kind: 'trailing-weights', weights: [3, 2, 1] },
]
const RESTS: readonly Rest[] = [
  WHOLE,
  ...DETREND_FORMS.map((form): Rest => ({ ...WHOLE, takenOut: { by: 'trend', form } })),
  ...DIFFERENCES.map((how): Rest => ({ ...WHOLE, takenOut: { by: 'difference', how } })),
  { scale: { by: 'ln' }, takenOut: { by: 'nothing' } },
  { scale: { by: 'square-root' }, takenOut: { by: 'trend', form: 'linear' } },
  { scale: { by: 'power', power: 0.3 }, takenOut: { by: 'difference', how: 'seasonal' } },
]
const ALL: readonly Beside[] = [
  ...AVERAGES.map((by): Beside => ({ kind: 'average', by })),
  ...RESTS.flatMap((of): Beside[] => [
    { kind: 'rest', of },
    { kind: 'rolling-mean', order: 3, of },
    { kind: 'rolling-deviation', order: 4, of },
    ...(of.takenOut.by === 'trend' ? [{ kind: 'taken-out', of } as const] : []),
  ]),
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

describe('what is left of a series', () => {
  const squares = [1, 4, 9, 16, 25].map((value) => 100 * value)

  it('is looked at on its scale, without its trend or as differences', () => {
    const root = { by: 'square-root' } as const
    const first = { by: 'difference', how: 'first' } as const
    const line = { by: 'trend', form: 'linear' } as const
    const left = (rest: Partial<Rest>) => restOf(squares, { ...WHOLE, ...rest }, 4).left
    expect(left({ scale: root })).toEqual([10, 20, 30, 40, 50])
    expect(left({ scale: root, takenOut: first })).toEqual([null, 10, 10, 10, 10])
    for (const value of left({ scale: root, takenOut: line })) expect(value).toBeCloseTo(0, 10)
    expect(left({ scale: { by: 'power', power: 2 } })[1]).toBe(160_000)
    expect(left({ scale: { by: 'ln' } })[0]).toBe(Math.log(100))
  })

  it('has a trend taken out that makes the series again with it', () => {
    for (const form of DETREND_FORMS) {
      const { trend, left } = restOf(squares, { ...WHOLE, takenOut: { by: 'trend', form } }, 4)
      squares.forEach((value, i) => {
        const back = form === 'exponential' ? trend![i]! * left[i]! : trend![i]! + left[i]!
        expect(back).toBeCloseTo(value, 8)
      })
    }
  })

  it('has rolling figures of its own: a line in differences stands still', () => {
    const rising = { ...result, columns: { ...result.columns, value: values.map((_, i) => 5 * i) } }
    const of: Rest = { ...WHOLE, takenOut: { by: 'difference', how: 'first' } }
    const rolling = (kind: 'rolling-mean' | 'rolling-deviation') =>
      besideColumn(rising, { kind, order: 4, of }).actual!.slice(4)
    expect(new Set(rolling('rolling-mean'))).toEqual(new Set([5]))
    expect(new Set(rolling('rolling-deviation'))).toEqual(new Set([0]))
  })

  it.each([
    [{ by: 'ln' }, /logarithm needs every value above 0; value 2 is 0/],
    [{ by: 'square-root' }, /square root needs/],
    [{ by: 'power', power: 0.5 }, /power needs/],
    [{ by: 'power', power: 0 }, /For 0 take the logarithm/],
  ] as const)('is refused on %j where a value has no place on it', (scale, because) => {
    expect(() => restOf([3, 0, 5], { ...WHOLE, scale }, 4)).toThrow(because)
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
