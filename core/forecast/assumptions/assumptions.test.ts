import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { evaluate } from '../../column/kinds/kinds'
import { columnValues, ledgerOf } from '../../ledger/ledger'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import type { Series } from '../../series/series'
import { bend, type ToBend } from './bend'
import type { Assumption } from './options'

const MONTHS = 72
const NO_LIMITS = { lower: [80, 80, 80], upper: [120, 120, 120] }

function toBend(change: Partial<ToBend> = {}): ToBend {
  return {
    ...{ t: [1, 2, 3], season: [1, 2, 3], seasons: 12 },
    level: { values: [100, 100, 100], atOrigin: 100, season: 'multiplicative' },
    ...{ inside: [120, 120, 120], forecast: [120, 120, 120], limits: { 80: NO_LIMITS } },
    putBack: (value) => value,
    timeCode: Number,
    labelOf: String,
    ...change,
  }
}

const grows = (from: string, percentPerYear: number): Assumption => ({
  ...{ kind: 'growth', from, percentPerYear },
  reason: 'new shops',
})

describe('a forecast bent by hand', () => {
  it('by growth: from a period on, until the next, both on the level that was bent before', () => {
    const { forecast } = bend(toBend(), [grows('2', 12), grows('3', -50)])
    expect(forecast[0]).toBe(120)
    expect(forecast[1]).toBeCloseTo(120 * 1.12 ** (1 / 12), 9)
    expect(forecast[2]).toBeCloseTo(120 * 1.12 ** (1 / 12) * 0.5 ** (1 / 12), 9)
  })

  it('by growth that began in the past: it goes on from the last period known', () => {
    const { level } = bend(toBend(), [grows('-5', 7), grows('-2', 12)])
    expect(level!.map((one) => Number(one.toFixed(6)))).toEqual(
      [1, 2, 3].map((h) => Number((100 * 1.12 ** (h / 12)).toFixed(6))),
    )
  })

  it('by an index: one season, times a factor, changes one after another', () => {
    const change = (factor: number): Assumption => ({
      ...{ kind: 'index', season: 2, from: '1', factor },
      reason: 'moved fair',
    })
    const { forecast, limits } = bend(toBend(), [change(1.5), change(2)])
    expect(forecast).toEqual([120, 360, 120])
    // 40 below and 0 above the forecast of 120, three times as far.
    expect(limits['80']!.lower).toEqual([80, 240, 80])
    expect(limits['80']!.upper).toEqual([120, 360, 120])
  })

  it('by amounts, last, from one period to another, on top of each other', () => {
    const more = (from: string, to: string, amount: number): Assumption => ({
      ...{ kind: 'amount', from, to, amount },
      reason: 'order',
    })
    const { forecast, limits } = bend(toBend(), [more('1', '2', 10), more('2', '2', -3)])
    expect(forecast).toEqual([130, 127, 120])
    expect(limits['80']!.lower).toEqual([90, 87, 80])
  })

  it('in an additive model: the season stays the amount that it is', () => {
    const of = toBend({ level: { values: [100, 100, 100], atOrigin: 100, season: 'additive' } })
    const { forecast, limits } = bend(of, [
      grows('1', 12),
      { kind: 'index', season: 3, from: '1', amount: 5, reason: 'moved fair' },
    ])
    const level = [1, 2, 3].map((h) => 100 * 1.12 ** (h / 12))
    forecast.forEach((one, i) => expect(one).toBeCloseTo(level[i]! + 20 + (i === 2 ? 5 : 0), 9))
    expect(limits['80']!.lower[0]).toBeCloseTo(forecast[0]! - 40 * 1.12 ** (1 / 12), 9)
  })

  it.each([
    [grows('1', 3), { level: null }, 'no level apart from its season'],
    [grows('1', 3), { level: { values: [-1, -1, -1], atOrigin: -1, season: null } }, 'above 0'],
    [
      { kind: 'index', season: 1, from: '1', factor: 2, reason: 'x' },
      { level: { values: [1, 1, 1], atOrigin: 1, season: null } },
      'no season',
    ],
    [
      { kind: 'index', season: 1, from: '1', amount: 2, reason: 'x' },
      {},
      'by which factor this one changes',
    ],
  ] as const)('is refused where it would mean nothing: %j', (assumption, change, because) => {
    expect(() => bend(toBend(change as Partial<ToBend>), [assumption as Assumption])).toThrow(
      because,
    )
  })
})

const SERIES: Series = {
  ...{ name: 'Glaze', unit: 'litres', start: { cycle: 2019, season: 1 } },
  calendar: { frequency: 'monthly', seasons: 12, yearStart: 1 },
  values: Array.from({ length: MONTHS }, (_, i) => {
    const season = [80, 85, 95, 110, 130, 125, 115, 110, 100, 90, 82, 78][i % 12]!
    return season * (10 + 0.05 * i) + ((i * 7919) % 23) - 11
  }),
}
const ASSUMPTIONS: readonly Assumption[] = [
  grows('2025-04', 6),
  { kind: 'amount', from: '2025-05', to: '2025-06', amount: -40, reason: 'closing' },
]
const INDEX = { kind: 'index', season: 5, from: '2025-01', reason: 'moved fair' } as const

const METHODS: Readonly<Record<string, MethodDocument>> = {
  multiplicative: method({}, { factor: 1.1 }),
  additive: method({ decompose: { model: 'additive' } }, { amount: 30 }),
  'with the calendar out': method(
    { calendar: { tradingDay: 'six' }, decompose: { model: 'multiplicative' } },
    { factor: 1.1 },
  ),
  'additive with the calendar out': method(
    { calendar: { tradingDay: 'six' }, decompose: { model: 'additive' } },
    { amount: 30 },
  ),
  regression: method({ forecast: { by: 'regression', model: 'multiplicative' } }, { factor: 1.1 }),
  'additive regression': method(
    { forecast: { by: 'regression', model: 'additive' } },
    { amount: 30 },
  ),
  'no season': method({ forecast: { by: 'smoothing', season: 'none', trend: 'additive' } }, null),
  'ARIMA without a season': method(
    { forecast: { by: 'arima', choose: 'given', orders: [0, 1, 1] } },
    null,
  ),
  'past errors': method({ forecast: { limits: 'past-errors' } }, { factor: 1.1 }),
}

function method(
  change: Omit<MethodDocument, 'format'>,
  index: { readonly factor: number } | { readonly amount: number } | null,
): MethodDocument {
  const assumptions = index ? [...ASSUMPTIONS, { ...INDEX, ...index }] : ASSUMPTIONS
  return {
    format: 'elvant-method/1',
    ...change,
    forecast: { ...change.forecast, assumptions },
  } as MethodDocument
}

describe.each(Object.entries(METHODS))('bent: %s', (_, document) => {
  const result = analyse(SERIES, document)
  const unbent = analyse(SERIES, {
    ...document,
    forecast: { ...document.forecast, assumptions: undefined },
  } as MethodDocument)

  it('leaves the statistical forecast as it is, and every period before the first assumption', () => {
    expect(result.assumed!.statistical.forecast).toEqual(unbent.forecast.forecast)
    expect(result.assumed!.statistical.limits).toEqual(unbent.forecast.limits)
    expect(result.forecast.forecast.slice(0, 3)).toEqual(unbent.forecast.forecast.slice(0, 3))
    expect(result.forecast.forecast.slice(3)).not.toEqual(unbent.forecast.forecast.slice(3))
    expect(result.columns).toEqual(unbent.columns)
  })

  it('explains every cell of every row', () => {
    const ledger = ledgerOf(result)
    const names = ledger.columns.map(({ name }) => name)
    expect(names).toEqual(expect.arrayContaining(['forecast', 'forecast, statistical', 'lower:80']))
    for (const column of ledger.columns) {
      columnValues(ledger, column).forEach((value, i) => {
        if (value === null) return
        const own = evaluate(column.arithmetic(ledger.run.firstT + i))
        expect(Math.abs(own - value), `${column.name} ${i}`).toBeLessThan(
          1e-8 * (1 + Math.abs(value)),
        )
      })
    }
    expect(ledger.find('forecast')!.ahead).toEqual(result.forecast.forecast)
  })

  it('is checked as the method that it bends', () => {
    const checked = (one: MethodDocument) => analyse(SERIES, { ...one, check: {} }).check!.method
    const { assumptions, ...forecast } = document.forecast!
    expect(assumptions).toBeDefined()
    expect(checked(document)).toEqual(checked({ ...document, forecast } as MethodDocument))
  })
})

it('amounts bend every way, and move its limits by themselves', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('decomposition', 'regression', 'smoothing', 'benchmark', 'combination'),
      fc.double({ min: -500, max: 500, noNaN: true }),
      fc.integer({ min: 1, max: 12 }),
      (by, amount, month) => {
        const period = `2025-${String(month).padStart(2, '0')}`
        const plain = { format: 'elvant-method/1', forecast: { by } } as MethodDocument
        const assumptions = [{ kind: 'amount', from: period, amount, reason: 'order' }]
        const bent = { ...plain, forecast: { by, assumptions } } as MethodDocument
        const [was, is] = [analyse(SERIES, plain).forecast, analyse(SERIES, bent).forecast]
        is.forecast.forEach((value, i) => {
          const more = i === month - 1 ? amount : 0
          expect(value).toBeCloseTo(was.forecast[i]! + more, 9)
          expect(is.limits['80']!.upper[i]).toBeCloseTo(was.limits['80']!.upper[i]! + more, 9)
        })
      },
    ),
    { numRuns: 12 },
  )
})

it('growth and indices are refused where season and level are one, by their place', () => {
  for (const by of ['smoothing', 'benchmark', 'combination', 'arima'] as const) {
    const forecast = { by, assumptions: [grows('2025-02', 3)] }
    const document = { format: 'elvant-method/1', forecast } as MethodDocument
    let refused: unknown = null
    try {
      analyse(SERIES, document)
    } catch (error) {
      refused = error
    }
    expect(refused, by).toBeInstanceOf(Refusal)
    expect((refused as Refusal).where).toBe('forecast.assumptions.0')
  }
})

it('what is over, or lies beyond the forecast, is kept and said, and one click takes it out', () => {
  const old = { kind: 'amount', from: '2024-05', amount: 5, reason: 'old order' } as const
  const far = { kind: 'growth', from: '2027-05', percentPerYear: 3, reason: 'later' } as const
  const document = {
    format: 'elvant-method/1',
    forecast: { assumptions: [old, grows('2025-02', 3), far] },
  } as MethodDocument
  const [finding] = analyse(SERIES, document).findings.filter(
    ({ code }) => code === 'assumption-idle',
  )
  expect(finding!.text).toContain('"old order" of May 2024 and "later" of May 2027')
  expect(finding!.actions![0]).toMatchObject({
    change: { forecast: { assumptions: [grows('2025-02', 3)] } },
  })
})

describe('scenarios', () => {
  const high = { name: 'high', assumptions: [grows('2025-02', 8), ...ASSUMPTIONS.slice(1)] }
  const low = { name: 'low', assumptions: [grows('2025-02', -8)] }
  const of = (more: object): MethodDocument =>
    ({ format: 'elvant-method/1', forecast: { scenarios: [high, low], ...more } }) as MethodDocument

  it('are what the forecast would be if their assumptions were in force, and leave it as it is', () => {
    const result = analyse(SERIES, of({}))
    const plain = analyse(SERIES, { format: 'elvant-method/1' })
    expect(result.forecast.forecast).toEqual(plain.forecast.forecast)
    for (const { name, bent } of result.scenarios!) {
      const { assumptions } = name === 'high' ? high : low
      const forced = { format: 'elvant-method/1', forecast: { assumptions } } as MethodDocument
      expect(bent.forecast).toEqual(analyse(SERIES, forced).forecast.forecast)
    }
  })

  it.each([
    ['beside the statistical forecast', {}],
    ['beside a bent one', { assumptions: ASSUMPTIONS }],
  ])('explain every cell, %s', (_, more) => {
    const ledger = ledgerOf(analyse(SERIES, { ...of(more), calendar: { tradingDay: 'six' } }))
    for (const name of ['scenario high', 'scenario low']) {
      const column = ledger.find(name)!
      column.ahead!.forEach((value, i) => {
        expect(evaluate(column.arithmetic(MONTHS + 1 + i))).toBeCloseTo(value!, 6)
      })
    }
  })

  it('are refused under their own path, and by a name that is there twice', () => {
    const refusalOf = (scenarios: object) => {
      try {
        analyse(SERIES, of({ scenarios }))
        return null
      } catch (error) {
        return error as Refusal
      }
    }
    const index = { kind: 'index', season: 1, from: '2025-01', amount: 2, reason: 'x' }
    expect(refusalOf([high, { name: 'low', assumptions: [index] }])!.where).toBe(
      'forecast.scenarios.1.assumptions.0.amount',
    )
    expect(refusalOf([high, high])!.where).toBe('forecast.scenarios.1.name')
  })
})
