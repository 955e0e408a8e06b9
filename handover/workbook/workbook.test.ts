import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { calendarOf } from '../../core/calendar/calendar'
import { EVERY_WAY } from '../../core/ledger/testing'
import type { MethodDocument } from '../../core/method'
import type { Result } from '../../core/result'
import type { Series, Value } from '../../core/series/series'
import { finish } from '../../core/work/steps'
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
    start: { year: 2016, season: 3 },
    values,
    ...more,
  }
}

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

describe.each([...EVERY_WAY, ...MONTHLY])('a workbook of %s', (_, series, own) => {
  it('comes to Elvant’s own figures by its own formulas', async () => {
    const result = analyse(series, own)
    const book = await opened(result)
    expect(book.formulas.length).toBeGreaterThan(100)
    expect(astray(book, result).slice(0, 5)).toEqual([])
  })
})
