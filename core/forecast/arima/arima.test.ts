import { describe, expect, it } from 'vitest'
import { methodSchema } from '../../../shared/methodSchema'
import { analyse } from '../../analyse'
import { asDocument } from '../../arima/orderOptions'
import { calculate } from '../../calculate'
import { calendarOf, type Frequency } from '../../calendar/calendar'
import { check } from '../../check/check'
import { evaluate, write } from '../../column/kinds/kinds'
import { columnValues, ledgerOf } from '../../ledger/ledger'
import { changed, type MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { methodSentence } from '../../sentence/sentence'
import type { Series, Value } from '../../series/series'
import { piecesText } from '../../word'
import type { ArimaForecast } from './calculate'
import type { ArimaDocument } from './options'

const noise = (t: number) => Math.sin(t * t * 1.7) + Math.cos(t * t * 0.9)
function series(values: readonly Value[], frequency: Frequency = 'quarterly'): Series {
  return {
    ...{ name: 'Primer', unit: 'litres', calendar: calendarOf(frequency) },
    ...{ start: { cycle: 2010, season: 1 }, values },
  }
}
/** A level that wanders, with a season that stays. */
const QUARTERS = Array.from({ length: 64 }, (_, t) => t).reduce<number[]>((all, t) => {
  const level = (all.at(-1) ?? 500) / [1.2, 0.8, 0.9, 1.1][(t + 3) % 4]!
  return [...all, (t === 0 ? 500 : level * (1 + 0.02 * noise(t))) * [1.2, 0.8, 0.9, 1.1][t % 4]!]
}, [])
const PRIMER = series(QUARTERS)
const by = (
  own: Omit<ArimaDocument, 'by'>,
  more: Partial<MethodDocument> = {},
): MethodDocument => ({
  format: 'elvant-method/1',
  ...more,
  forecast: { by: 'arima', ...own },
})
const SEASONAL = { orders: [0, 1, 1], seasonalOrders: [0, 1, 1] } as const
const aheadOf = (own: Series, document: MethodDocument) =>
  calculate(own, document).ahead as ArimaForecast
function refusal(
  document: MethodDocument,
  own: Series = PRIMER,
): Pick<Refusal, 'where' | 'because'> {
  try {
    calculate(own, document)
  } catch (error) {
    if (error instanceof Refusal) return error
    throw error
  }
  throw new Error('not refused')
}

describe('a forecast by ARIMA', () => {
  it('of differences alone repeats the last value, or last year with its change', () => {
    const walk = aheadOf(PRIMER, by({ orders: [0, 1, 0], constant: false }))
    for (const one of walk.forecast) expect(one).toBeCloseTo(QUARTERS.at(-1)!, 8)
    const both = { orders: [0, 1, 0], seasonalOrders: [0, 1, 0] } as const
    const year = aheadOf(PRIMER, by(both)).forecast
    const change = QUARTERS.at(-1)! - QUARTERS.at(-5)!
    year.forEach((one, h) => expect(one).toBeCloseTo(QUARTERS.at(h - 4)! + change, 8))
  })

  it('has limits that widen as a walk does', () => {
    const { limits, forecast, interval } = aheadOf(
      PRIMER,
      by({ orders: [0, 1, 0], constant: false }),
    )
    forecast.forEach((one, h) => {
      const reach = interval.quantiles['80']! * interval.s * Math.sqrt(h + 1)
      expect(limits['80']!.upper[h]! - one).toBeCloseTo(reach, 6)
    })
  })

  it('goes down to values, surprises and weights in every cell', () => {
    const gap = series(QUARTERS.with(30, null as never))
    const documents = [
      by(SEASONAL),
      by({ ...SEASONAL, transform: 'ln', backTransform: 'mean' }),
      by({ orders: [2, 0, 1], constant: true }),
      by({ orders: [1, 0, 0], seasonalOrders: [0, 1, 1], constant: true, transform: 0.3 }),
      by({ orders: [1, 0, 0] }, { calendar: { tradingDay: 'one' }, trend: { form: 'linear' } }),
    ]
    for (const own of [PRIMER, gap]) {
      for (const document of documents) {
        const ledger = ledgerOf(analyse(own, document))
        for (const column of ledger.columns) {
          columnValues(ledger, column).forEach((value, i) => {
            if (value === null) return
            const worked = evaluate(column.arithmetic(ledger.run.firstT + i))
            expect(
              Math.abs(worked - value),
              `${JSON.stringify(document.forecast)} ${column.name} ${i}`,
            ).toBeLessThan(1e-8 * (1 + Math.abs(value)))
          })
        }
      }
    }
    // Without a gap nothing but values, surprises and weights is in it, from the first period on; after one the filter's own share.
    const startsOf = (own: Series) => {
      const { run } = ledgerOf(analyse(own, by(SEASONAL)))
      const starts = Array.from({ length: run.endT - 5 }, (_, i) =>
        run.arithmetic('predicted', 6 + i),
      )
      return starts.filter((cell) => write(cell).includes('the start')).length
    }
    expect(startsOf(PRIMER)).toBe(0)
    expect(startsOf(gap)).toBeGreaterThan(0)
  })

  it('knows no fitted value where the differences take it, and none in a gap', () => {
    const { columns } = calculate(series(QUARTERS.with(30, null as never)), by(SEASONAL))
    expect(columns.fitted.slice(0, 5)).toEqual([null, null, null, null, null])
    expect(columns.fitted[30]).toBeNull()
    expect(columns.fitted[31]).not.toBeNull()
  })

  it('chosen, takes a seasonal model of what has a season, and tells every model that was tried', () => {
    const { order, chosen, aicc } = aheadOf(PRIMER, by({ transform: 'ln' }))
    expect(order.D).toBe(1)
    expect(chosen!.differences.seasonStrength).toBeGreaterThan(0.64)
    expect(chosen!.tried.length).toBeGreaterThan(8)
    const best = chosen!.tried.find(({ because }) => because === null)!
    expect(best.order).toEqual(order)
    expect(aicc).toBeCloseTo(best.aicc!, 2)
  }, 30_000)

  it('is checked with the orders of the first origin, and coefficients of each', () => {
    const checked = check(PRIMER, by(SEASONAL, { check: {} }))!
    const one = checked.tries.at(-1)!
    const known = series(QUARTERS.slice(0, one.origin))
    const own = aheadOf(known, by({ ...SEASONAL, horizon: one.forecast.length }))
    one.forecast.forEach((value, h) => expect(value).toBeCloseTo(own.forecast[h]!, 4))
  })

  it('takes what happened out by regression, and lets it come again', () => {
    const code = (t: number) => `${2010 + Math.floor(t / 4)}-Q${(t % 4) + 1}`
    const flooded = series(QUARTERS.map((value, t) => (t === 30 || t === 41 ? value - 200 : value)))
    const indicators = [
      { name: 'flood', from: code(30), again: [{ from: code(41) }, { from: code(65) }] },
    ]
    const plain = by(SEASONAL)
    const knows = by({ ...SEASONAL, indicators })
    const { beta, names, errors, aicc, forecast, scaled, coefficients } = aheadOf(flooded, knows)
    expect(names).toEqual(['flood'])
    expect(Math.abs(beta[0]! + 200)).toBeLessThan(3 * errors!.beta[0]!)
    expect(aicc!).toBeLessThan(aheadOf(flooded, plain).aicc! - 20)
    // What the model has of the rest is what it has of values that no flood ever touched.
    const rest = series(flooded.values.map((v, t) => (t === 30 || t === 41 ? v! - beta[0]! : v)))
    const near = by({ ...SEASONAL, choose: 'given', constant: false, near: coefficients })
    const dry = aheadOf(rest, near)
    forecast.forEach((value, h) =>
      expect(value).toBeCloseTo(dry.forecast[h]! + (h === 1 ? beta[0]! : 0), 3),
    )
    const ledger = ledgerOf(analyse(flooded, knows))
    for (const [i, value] of columnValues(ledger, ledger.find('predicted')!).entries()) {
      if (value === null) continue
      expect(evaluate(ledger.find('predicted')!.arithmetic(1 + i))).toBeCloseTo(value, 6)
    }
    expect(scaled.predicted[31]).toBeCloseTo(dry.scaled.predicted[31]!, 3)
    // Chosen, the differences are asked of what is left beside the flood.
    expect(aheadOf(flooded, by({ indicators })).order.D).toBe(1)
  })

  it('knows columns of ones own, with their future, and is refused one that does not reach', () => {
    const price = Array.from({ length: 72 }, (_, t) => 20 + 3 * Math.sin(t * 1.3))
    const sold = series(QUARTERS.map((value, t) => value - 15 * price[t]!))
    const given = [{ name: 'price', from: '2010-Q1', values: price }]
    const knows = by({ ...SEASONAL, given })
    const { beta, names, errors, forecast } = aheadOf(sold, knows)
    expect(names).toEqual(['price'])
    expect(Math.abs(beta[0]! + 15)).toBeLessThan(3 * errors!.beta[0]!)
    // A price that is to be higher sells less, by what was found.
    const higher = [{ ...given[0]!, values: price.map((one, t) => (t === 65 ? one + 2 : one)) }]
    const other = aheadOf(sold, by({ ...SEASONAL, given: higher })).forecast
    other.forEach((one, h) => expect(one - forecast[h]!).toBeCloseTo(h === 1 ? 2 * beta[0]! : 0, 6))
    const ledger = ledgerOf(analyse(sold, knows))
    expect(evaluate(ledger.find('predicted')!.arithmetic(66))).toBeCloseTo(forecast[1]!, 6)
    const short = [{ ...given[0]!, values: price.slice(0, 66) }]
    expect(refusal(by({ ...SEASONAL, given: short }), sold)).toMatchObject({
      ...{ where: 'forecast.given.0.values' },
      because: expect.stringContaining('"price" has 66 figures from 2010-Q1 on, and 2 more'),
    })
    const late = [{ ...given[0]!, from: '2010-Q3' }]
    expect(refusal(by({ ...SEASONAL, given: late }), sold).where).toBe('forecast.given.0.from')
    const twice = [given[0]!, given[0]!]
    expect(refusal(by({ ...SEASONAL, given: twice }), sold).where).toBe('forecast.given.1.name')
    const flat = [{ ...given[0]!, values: price.map(() => 4) }]
    expect(refusal(by({ ...SEASONAL, given: flat }), sold).because).toMatch(/price/)
    expect(check(sold, by({ ...SEASONAL, given }, { check: {} }))!.tries.length).toBeGreaterThan(10)
  })

  it('is refused an event that says what another says, by its name, and one outside the span', () => {
    const twice = [
      { name: 'price', from: '2012-Q3' },
      { name: 'second price', from: '2012-Q3' },
    ]
    expect(refusal(by({ ...SEASONAL, steps: twice })).because).toMatch(/second price/)
    expect(refusal(by({ ...SEASONAL, steps: [{ name: 'price', from: '2010-Q1' }] })).where).toBe(
      'forecast.steps.0.from',
    )
  })

  it('by hand leaves behind what belonged to a choice, or to the search of another model', () => {
    const near = { ar: [], ma: [-0.2], sar: [], sma: [-0.5] }
    const before = by({ ...SEASONAL, near })
    const order = { p: 2, d: 0, q: 0, P: 0, D: 0, Q: 0 }
    const change = { forecast: asDocument({ order, constant: 'mean' }) }
    expect(aheadOf(PRIMER, changed(before, change)).order).toEqual(order)
    expect(aheadOf(PRIMER, changed(by({ seasonal: true }), change)).order).toEqual(order)
  })

  it('says its orders in the sentence', () => {
    const said = (document: MethodDocument) =>
      piecesText(methodSentence(analyse(PRIMER, document).method, PRIMER))
    expect(said(by(SEASONAL))).toMatch(
      /by ARIMA, \(0,1,1\)\(0,1,1\), with no events, values as they are/,
    )
    expect(said(by({ orders: [1, 0, 0], transform: 'ln' }))).toMatch(
      /by ARIMA, \(1,0,0\)\(0,0,0\) with mean, with no events, values as logarithms, as the median/,
    )
  })
})

describe('refused, with its place, is', () => {
  it.each<[string, Omit<ArimaDocument, 'by'>, string]>([
    ['an order beside a choice', { orders: [1, 0, 0], choose: 'stepwise' }, 'forecast.orders'],
    ['a given model without orders', { choose: 'given' }, 'forecast.orders'],
    [
      'a choice of season beside given orders',
      { orders: [1, 0, 0], seasonal: true },
      'forecast.seasonal',
    ],
    [
      'a constant with two differences',
      { orders: [0, 1, 0], seasonalOrders: [0, 1, 0], constant: true },
      'forecast.constant',
    ],
    [
      'a way back from nothing',
      { orders: [1, 0, 0], backTransform: 'mean' },
      'forecast.backTransform',
    ],
    [
      'coefficients to begin from of other orders',
      { orders: [1, 0, 0], near: { ar: [], ma: [0.2], sar: [], sma: [] } },
      'forecast.near',
    ],
    [
      'more terms than values',
      { orders: [12, 0, 12], seasonalOrders: [12, 1, 12] },
      'forecast.orders',
    ],
  ])('%s', (_, own, where) => {
    expect(refusal(by(own)).where).toBe(where)
  })

  it('a season of yearly figures', () => {
    const yearly = series(QUARTERS.slice(0, 30), 'yearly')
    const own = by({ orders: [1, 0, 0], seasonalOrders: [0, 1, 0] }, { decompose: { by: 'none' } })
    expect(refusal(own, yearly).where).toBe('forecast.seasonalOrders')
  })

  it('a season so long that its filter would never end', () => {
    const seasons = calendarOf('seasons', { seasons: 365 })
    const long = {
      ...PRIMER,
      calendar: seasons,
      values: Array.from({ length: 1500 }, (_, t) => 100 + noise(t)),
    }
    expect(refusal(by({ orders: [0, 1, 1], seasonalOrders: [0, 1, 1] }), long).where).toBe(
      'forecast.orders',
    )
  })

  it('an order that is none, by the schema', () => {
    expect(methodSchema.safeParse(by(SEASONAL)).success).toBe(true)
    expect(methodSchema.safeParse(by({ orders: [13, 0, 0] })).success).toBe(false)
  })
})
