import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { calendarOf } from '../../core/calendar/calendar'
import { columnValues, ledgerOf } from '../../core/ledger/ledger'
import { EVERY_WAY } from '../../core/ledger/testing'
import type { ArimaForecast } from '../../core/forecast/arima/calculate'
import type { MethodDocument } from '../../core/method'
import type { Result } from '../../core/result'
import type { Series, Value } from '../../core/series/series'
import { fitWith } from '../../core/stateSpace/arima/fit'
import { finish } from '../../core/work/steps'
import { readFile } from '../../intake/readFile'
import { openWorkbook, type OpenedWorkbook } from './testing'
import { workbookSteps } from './workbook'
import { writeWorkbook } from './writeWorkbook'

const months: readonly Value[] = Array.from(
  { length: 96 },
  (_, i) =>
    Math.round(
      (1000 + 6 * i) * (1 + 0.2 * Math.cos(i / 1.91)) * (1 + 0.03 * Math.sin(i * i)) * 10,
    ) / 10,
)

function monthly(values: readonly Value[] = months, more: Partial<Series> = {}): Series {
  return {
    name: 'Varnish',
    unit: 'litres',
    calendar: calendarOf('monthly', { yearStart: 4 }),
    start: { cycle: 2016, season: 3 },
    values,
    ...more,
  }
}

/** A fair that moves, every year that is analysed and forecast. */
const FAIR = Array.from({ length: 10 }, (_, i) => `${2016 + i}-${i % 2 ? '05-28' : '06-04'}`)

const method = (more: Partial<MethodDocument>): MethodDocument => ({
  format: 'elvant-method/1',
  ...more,
})

/** What only months, or many of them, can show. */
const MONTHLY: readonly (readonly [name: string, series: Series, method: MethodDocument])[] = [
  ['months of a fiscal year', monthly(), method({})],
  [
    'a check and values that were put in',
    monthly(months, { adjustments: [{ period: '2018-05', value: 1300, reason: 'typed' }] }),
    method({ check: { rolling: { step: 6 } } }),
  ],
  ...(['six', 'one'] as const).map(
    (tradingDay) =>
      [
        `trading days, ${tradingDay}, Easter and length`,
        monthly(),
        method({ calendar: { tradingDay, length: 'leap-year', easter: 8 } }),
      ] as const,
  ),
  [
    'a regression of values by length',
    monthly(),
    method({
      calendar: { tradingDay: 'one', length: 'divide' },
      forecast: { by: 'regression' },
    }),
  ],
  ...(
    [
      { orders: [1, 1, 1], seasonalOrders: [0, 1, 1] },
      { orders: [2, 0, 0], seasonalOrders: [1, 0, 0], constant: true },
      { orders: [0, 1, 1], seasonalOrders: [0, 1, 1], transform: 'ln', backTransform: 'mean' },
      {
        orders: [1, 0, 1],
        seasonalOrders: [0, 1, 0],
        indicators: [{ name: 'strike', from: '2019-05' }],
      },
    ] as const
  ).map(
    (own) =>
      [
        `ARIMA ${JSON.stringify(own)}`,
        monthly(),
        method({ forecast: { by: 'arima', ...own } as MethodDocument['forecast'] }),
      ] as const,
  ),
  ['a trend by ARIMA', monthly(), method({ trend: { form: 'arima', orders: [0, 1, 1] } })],
  [
    'a calendar beside ARIMA errors',
    monthly(),
    method({
      calendar: {
        tradingDay: 'one',
        errors: 'arima',
        orders: [1, 0, 0],
        seasonalOrders: [0, 1, 1],
      },
    }),
  ],
  [
    'a holiday of its own, and a column that is given',
    monthly(),
    method({
      calendar: { holidays: [{ name: 'fair', dates: FAIR }] },
      forecast: {
        by: 'arima',
        orders: [1, 0, 0],
        seasonalOrders: [0, 1, 1],
        given: [
          {
            name: 'price',
            from: '2016-03',
            values: Array.from({ length: 108 }, (_, i) => 10 + (i % 7)),
          },
        ],
      },
    }),
  ],
  ...(['interpolate', 'seasonal', 'zero', 'leave'] as const).map(
    (missing) =>
      [
        `missing values, ${missing}`,
        monthly(months.with(30, null).with(31, null)),
        method({ missing, decompose: { model: 'additive' } }),
      ] as const,
  ),
  ...(['effects', 'dummies', 'fourier', 'dummies-by-trend', 'none'] as const).map(
    (season) =>
      [
        `a regression of months with ${season}`,
        monthly(),
        method({
          trend: { last: 80 },
          forecast: { by: 'regression', season } as MethodDocument['forecast'],
        }),
      ] as const,
  ),
  [
    'a yearly series',
    {
      ...{ name: 'Paint sold', unit: 'thousand litres', calendar: calendarOf('yearly') },
      ...{ start: { cycle: 2004, season: 1 }, values: months.slice(0, 22) },
    },
    method({}),
  ],
  [
    'growth, an index and an amount that are assumed',
    monthly(),
    method({
      forecast: {
        horizon: 18,
        assumptions: [
          { kind: 'growth', from: '2024-03', percentPerYear: 6, reason: 'new shop' },
          { kind: 'index', season: 5, factor: 1.1, from: '2024-04', reason: 'fair' },
          { kind: 'amount', from: '2024-06', amount: 50, reason: 'order' },
        ],
        scenarios: [
          {
            name: 'low',
            assumptions: [{ kind: 'growth', from: '2024-06', percentPerYear: -3, reason: 'slump' }],
          },
        ],
      },
    }),
  ],
]

async function opened(result: Result): Promise<OpenedWorkbook> {
  const told = { sentence: 'Sales.', version: '0.0.0', date: '1 Jan 2026' }
  return openWorkbook(await writeWorkbook(finish(workbookSteps(result, told))))
}

/** Formulas that do not come to what stands beside them, to 1e-9; what cancels is held against the values it is left of. */
function astray(book: OpenedWorkbook, { columns }: Result) {
  const level = Math.max(...columns.value.map((value) => Math.abs(value ?? 0)))
  return book.formulas.flatMap(({ address, stored, formula }) => {
    const got = book.value(address)
    const isSame =
      typeof got === 'number'
        ? Math.abs(got - Number(stored)) <= 1e-9 * Math.max(Math.abs(Number(stored)), 1e-4 * level)
        : got === stored
    return isSame ? [] : [{ address, formula, got, stored }]
  })
}

describe('a workbook', () => {
  const written = async (series: Series, own: MethodDocument) => {
    const told = { sentence: 'Sales.', version: '0.0.0', date: '1 Jan 2026' }
    return writeWorkbook(finish(workbookSteps(analyse(series, own), told)))
  }

  it('is read back without a question: the values as they came in', async () => {
    const name = '=cmd|" /C calc"!A1'
    const adjustments = [{ period: '2018-05', value: null, reason: '=1+1' }]
    for (const own of [monthly(), monthly(months, { name, unit: 'Kolli', adjustments })]) {
      const reading = readFile(await written(own, method({})))
      if (reading.outcome !== 'ok') throw new Error(JSON.stringify(reading))
      expect(reading.series).toHaveLength(1)
      const { series } = reading.series[0]!
      expect(series).toMatchObject({
        name: own.name,
        unit: own.unit,
        start: own.start,
        values: own.values,
      })
    }
  })

  it('lets no text become a formula', async () => {
    const text = '=HYPERLINK("x")'
    const book = openWorkbook(
      await written(
        monthly(months, {
          name: text,
          unit: '+1',
          adjustments: [{ period: '2018-05', value: 1, reason: '@x' }],
        }),
        method({ decompose: { exclude: [{ period: '2019-05', reason: '-1+2' }] } }),
      ),
    )
    expect(book.formulas.every(({ formula }) => !formula.includes('HYPERLINK'))).toBe(true)
    expect(book.value("'Read me'!B1")).toContain(text)
  })
})

describe.each([...EVERY_WAY, ...MONTHLY])('a workbook of %s', (_, series, own) => {
  it('comes to Elvant’s own figures by its own formulas', async () => {
    const result = analyse(series, own)
    const book = await opened(result)
    expect(book.formulas.length).toBeGreaterThan(100)
    expect(astray(book, result).slice(0, 5)).toEqual([])
  })
})

/** Figures of the ledger's sheet that are not those of a result on the same periods. */
function apart(book: OpenedWorkbook, result: Result) {
  const ledger = ledgerOf(result)
  const periods = [...result.columns.period, ...result.forecast.period]
  const level = Math.max(...result.columns.value.map((value) => Math.abs(value ?? 0)))
  return ledger.columns.flatMap((column) =>
    columnValues(ledger, column).flatMap((value, i) => {
      if (value === null) return []
      const got = book.value(book.find('Ledger', periods[i]!, column.label))
      const isSame =
        typeof got === 'number' &&
        Math.abs(got - value) <= 1e-9 * Math.max(Math.abs(value), 1e-4 * level)
      return isSame ? [] : [{ column: column.name, period: periods[i]!, value, got }]
    }),
  )
}

const GIVEN_SMOOTHING = {
  by: 'smoothing',
  initial: 'rule',
  weights: { alpha: 0.3, beta: 0.1, gamma: 0.2 },
} as const

/** Methods whose figures all follow from the values: what a search found is given here. */
const LIVE: readonly (readonly [name: string, Partial<MethodDocument>])[] = [
  ['ratio to a moving average', {}],
  ['additive', { decompose: { model: 'additive', average: 'median' } }],
  ['simple averages', { decompose: { by: 'simple-averages', average: 'trimmed-mean' } }],
  [
    'ratio to trend, quadratic',
    { decompose: { by: 'ratio-to-trend' }, trend: { form: 'quadratic' } },
  ],
  [
    'an exponential trend',
    { trend: { form: 'exponential' }, forecast: { backTransform: 'smearing' } },
  ],
  ['no season', { decompose: { by: 'none', order: 7 } }],
  ['regression', { forecast: { by: 'regression', backTransform: 'mean' } }],
  ['a drift', { forecast: { by: 'benchmark', which: 'drift' } }],
  [
    'additive smoothing',
    { forecast: { ...GIVEN_SMOOTHING, trend: 'additive', season: 'additive', error: 'additive' } },
  ],
  [
    'damped smoothing of logarithms',
    {
      forecast: {
        ...GIVEN_SMOOTHING,
        ...{ trend: 'damped', season: 'additive', error: 'additive', transform: 'ln' },
        ...{ backTransform: 'mean', weights: { ...GIVEN_SMOOTHING.weights, phi: 0.9 } },
      },
    },
  ],
  ['trading days', { calendar: { tradingDay: 'one', length: 'leap-year' } }],
]

describe.each(LIVE)('a workbook that is changed, %s', (_, own) => {
  it('comes to what Elvant makes of another value', async () => {
    const book = await opened(analyse(monthly(), method(own)))
    book.set(book.find('Ledger', '2022-09', 'Values'), 1777)
    const changed = analyse(monthly([...months].with(78, 1777)), method(own))
    expect(apart(book, changed).slice(0, 3)).toEqual([])
  })
})

describe.each([
  { orders: [1, 1, 2], seasonalOrders: [1, 1, 0] },
  { orders: [2, 0, 1], seasonalOrders: [0, 0, 1], constant: true },
] as const)('a workbook that is changed, ARIMA %j', (orders) => {
  it('predicts by the recursion of the innovations what the filter does with the same coefficients', async () => {
    const result = analyse(monthly(), method({ forecast: { by: 'arima', ...orders } }))
    const book = await opened(result)
    // In the first year, where the start is far from settled.
    const values = months.with(17, 1777)
    book.set(book.find('Ledger', '2017-08', 'Values'), 1777)
    const { order, coefficients, beta, known } = result.forecast as unknown as ArimaForecast
    const columns = known.map(({ name, values: own }) => ({ name, values: own }))
    const { errors } = fitWith({ values, columns, order, seasons: 12 }, coefficients, beta, '')!
    const off = errors.map((error, i) => {
      if (error === null) return 0
      const got = book.value(book.find('Ledger', result.columns.period[i]!, 'Predicted')) as number
      return Math.abs(got - (values[i]! - error)) / 1000
    })
    expect(errors.filter((error) => error !== null).length).toBeGreaterThan(80)
    expect(Math.max(...off)).toBeLessThan(1e-9)
  })
})

describe('a workbook that is changed', () => {
  it('leaves a marked value out of its season', async () => {
    const book = await opened(analyse(monthly(), method({})))
    // Fiscal years from April: September is the sixth season, 2022-09 stands in the year that ends in 2023.
    book.set('Seasons!U10', 'x')
    const exclude = [{ period: '2022-09', reason: 'fire' }]
    expect(apart(book, analyse(monthly(), method({ decompose: { exclude } })))).toEqual([])
  })

  it('follows a weight', async () => {
    const smoothing = (alpha: number) =>
      method({
        forecast: {
          ...{ ...GIVEN_SMOOTHING, trend: 'additive', season: 'additive', error: 'additive' },
          weights: { ...GIVEN_SMOOTHING.weights, alpha },
        },
      })
    const book = await opened(analyse(monthly(), smoothing(0.3)))
    book.set(book.find('Parameters', 'α', 'value'), 0.45)
    expect(apart(book, analyse(monthly(), smoothing(0.45))).slice(0, 3)).toEqual([])
  })

  it('follows the growth that is assumed', async () => {
    const grown = (percentPerYear: number) =>
      method({
        forecast: {
          assumptions: [{ kind: 'growth', from: '2024-03', percentPerYear, reason: 'new shop' }],
        },
      })
    const book = await opened(analyse(monthly(), grown(6)))
    book.set(book.find('Parameters', '1 + 6%', 'value'), 1.02)
    expect(apart(book, analyse(monthly(), grown(2))).slice(0, 3)).toEqual([])
  })
})
