import fc from 'fast-check'
import { fittedReport } from '../../trend/report'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { explain } from '../../ledger/explain'
import { ledgerOf } from '../../ledger/ledger'
import type { MethodDocument } from '../../method'
import type { Series, Value } from '../../series/series'

const years: Value[] = [10, 12, 11, 14, 13, 16, 18, 17, 20, 21]
function yearly(values: readonly Value[]): Series {
  return {
    name: 'Paint sold',
    unit: 'litres',
    calendar: calendarOf('yearly'),
    start: { cycle: 2004, season: 1 },
    values,
  }
}
const FORMAT = { format: 'elvant-method/1' } as const
const none = (more: object = {}): MethodDocument => ({
  ...FORMAT,
  decompose: { by: 'none', ...more },
})

describe('a series without a season, by hand', () => {
  const { columns, forecast, accuracy, trendFit } = analyse(yearly(years), none({ order: 3 }))

  it('is smoothed by a centred average, undefined at its ends', () => {
    expect(columns.trendCycle.slice(0, 3)).toEqual([null, 11, 37 / 3])
    expect(columns.trendCycle.at(-1)).toBeNull()
    expect(columns.irregular[1]).toBeCloseTo(12 / 11, 14)
  })

  it('is itself deseasonalized, and every index changes nothing', () => {
    expect(columns.deseasonalized).toEqual(years)
    expect(new Set(columns.index)).toEqual(new Set([1]))
    const additive = analyse(yearly(years), none({ model: 'additive' }))
    expect(new Set(additive.columns.index)).toEqual(new Set([0]))
  })

  it('is forecast along the line through it, no degree of freedom spent on indices', () => {
    // Σt·y = 936, so the slope is (936 − 10·5.5·15.2) ÷ 82.5 = 40/33, through (5.5, 15.2).
    expect(fittedReport(trendFit).terms[0]!.estimate).toBeCloseTo(128 / 15, 12)
    expect(forecast.forecast[0]).toBeCloseTo(128 / 15 + (11 * 40) / 33, 12)
    expect(forecast.forecast).toEqual(forecast.deseasonalized)
    expect(forecast.interval.df).toBe(8)
  })

  it('is compared with repeating the last value', () => {
    const changes = years.slice(1).map((value, i) => Math.abs(value! - years[i]!))
    const naive = changes.reduce((sum, change) => sum + change, 0) / changes.length
    expect(accuracy.fitted.mase).toBeCloseTo(accuracy.fitted.mae! / naive, 12)
  })
})

describe('the default', () => {
  it('of a yearly series is no season, five terms and three years ahead', () => {
    const { method, seasons, seasonTests, whichModel, strength } = analyse(yearly(years), FORMAT)
    expect(method.decompose).toEqual({ by: 'none', model: 'multiplicative', order: 5 })
    expect(method.forecast.horizon).toBe(3)
    expect([seasons, seasonTests, whichModel, strength.season]).toEqual([[], null, null, null])
  })

  it('of a series with a season, asked for none, is an average over one year', () => {
    const monthly = { ...yearly(Array.from({ length: 40 }, (_, i) => 100 + (i % 12))) }
    const { method } = analyse({ ...monthly, calendar: calendarOf('monthly') }, none())
    expect(method.decompose).toMatchObject({ by: 'none', order: 12 })
  })
})

describe('words', () => {
  const told = (values: readonly Value[], document: MethodDocument = FORMAT) => {
    const result = analyse(yearly(values), document)
    const { columns, run } = ledgerOf(result)
    return [
      ...result.findings.map(({ text }) => text),
      ...columns.flatMap(({ label, means, explains }) => [label, means, explains]),
      ...columns.flatMap(({ name }) =>
        [run.firstT, run.lastT, run.endT].map((t) => {
          const cell = explain(result, name, t)
          return cell.defined ? cell.title : cell.because
        }),
      ),
    ]
  }

  it('speak of no season, no index and no year of a year', () => {
    for (const values of [years, years.with(4, null), years.slice(0, 3)]) {
      for (const sentence of told(values)) {
        expect(sentence).not.toMatch(/season|index|indices|year year|1-term|deseas/i)
      }
    }
  })

  it('say how short is too short', () => {
    expect(() => analyse(yearly([1, 2]), FORMAT)).toThrow(/at least 3 years; there are 2/)
  })
})

it('components recompose the series, whatever the order', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 1, max: 1e6, noNaN: true }), { minLength: 4, maxLength: 40 }),
      fc.integer({ min: 2, max: 9 }),
      fc.constantFrom('additive' as const, 'multiplicative' as const),
      (values, order, model) => {
        const { columns } = analyse(
          yearly(values),
          none({ order: Math.min(order, values.length), model }),
        )
        columns.irregular.forEach((irregular, i) => {
          if (irregular === null) return
          const level = columns.trendCycle[i]!
          const whole = model === 'additive' ? level + irregular : level * irregular
          expect(Math.abs(whole - values[i]!)).toBeLessThanOrEqual(1e-9 * Math.max(...values))
        })
      },
    ),
  )
})
