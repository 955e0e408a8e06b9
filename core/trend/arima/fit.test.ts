import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calculate } from '../../calculate'
import { calendarOf } from '../../calendar/calendar'
import { settledAt } from '../../check/settle'
import { evaluate } from '../../column/kinds/kinds'
import { columnValues, ledgerOf } from '../../ledger/ledger'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { methodSentence } from '../../sentence/sentence'
import type { Series, Value } from '../../series/series'
import { piecesText } from '../../word'
import { fitArimaTrend } from './fit'
import { arima } from './way'

const noise = (t: number) => Math.sin(t * t * 1.7) + Math.cos(t * t * 0.9)
const INDEX = [0.8, 1.1, 1.25, 0.85]
/** A level that wanders, with a season on it. */
const LEVEL = Array.from({ length: 48 }, (_, t) => 200 + 30 * Math.sin(t / 7) + 3 * noise(t))
const series = (values: readonly Value[]): Series => ({
  ...{ name: 'Contract work', unit: 'jobs', calendar: calendarOf('quarterly') },
  ...{ start: { cycle: 2014, season: 1 }, values },
})
const JOBS = series(LEVEL.map((level, t) => level * INDEX[t % 4]!))
const method = (
  trend: Omit<NonNullable<MethodDocument['trend']>, 'form'>,
  more: Partial<MethodDocument> = {},
): MethodDocument => ({ format: 'elvant-method/1', trend: { form: 'arima', ...trend }, ...more })
const given = (orders: readonly [number, number, number], constant = false) =>
  ({ choose: 'given', orders, constant }) as const

describe('a trend by ARIMA', () => {
  it('of one difference alone is the value before, and ahead the last one, its limits those of a walk', () => {
    const trend = fitArimaTrend(LEVEL, 5, given([0, 1, 0]))
    expect(trend.from).toBe(6)
    LEVEL.slice(1).forEach((_, i) => expect(trend.at(6 + i)).toBeCloseTo(LEVEL[i]!, 8))
    expect(trend.at(60)).toBeCloseTo(LEVEL.at(-1)!, 8)
    expect(trend.spread.leverageAt(53)).toBeCloseTo(0, 9)
    expect(trend.spread.leverageAt(57)).toBeCloseTo(4, 9)
    expect(trend.residualsInTime).toHaveLength(47)
  })

  it('of a mean alone is the mean, and with a drift goes on by it', () => {
    const mean = LEVEL.reduce((sum, value) => sum + value, 0) / LEVEL.length
    expect(fitArimaTrend(LEVEL, 1, given([0, 0, 0], true)).at(3)).toBeCloseTo(mean, 8)
    const drifting = fitArimaTrend(LEVEL, 1, given([0, 1, 0], true))
    const drift = (LEVEL.at(-1)! - LEVEL[0]!) / (LEVEL.length - 1)
    expect(drifting.at(51)).toBeCloseTo(LEVEL.at(-1)! + 3 * drift, 8)
  })

  it('is told by its report alone, as far ahead as it is asked', () => {
    for (const orders of [
      [2, 0, 1],
      [0, 1, 1],
      [1, 2, 1],
    ] as const) {
      const trend = fitArimaTrend(LEVEL, 3, given(orders, orders[1] < 2))
      const report = arima.report(trend, arima.complete('arima', given(orders)), {
        name: 'deseasonalized jobs',
      } as never)
      const t = Array.from({ length: 40 }, (_, h) => 51 + h)
      arima.ahead(report, [], t).forEach((one, h) => expect(one).toBeCloseTo(trend.at(51 + h), 8))
    }
  })

  it('bridges a gap by its own predictions, and one at the start by beginning later', () => {
    const gaps = LEVEL.map((value, t) => (t === 20 || t === 21 || t === 0 ? null : value))
    const trend = fitArimaTrend(gaps, 1, given([0, 1, 0]))
    expect(trend.from).toBe(3)
    expect(trend.at(22)).toBeCloseTo(LEVEL[19]!, 8)
    expect(trend.residualsInTime[20 - 2]).toBeNull()
  })

  it('goes down to values and surprises in every cell, is put back into season, and says its orders', () => {
    for (const document of [
      method(given([0, 1, 1])),
      method(given([1, 0, 1], true), { decompose: { model: 'additive' } }),
      method({ ...given([1, 1, 1], true), last: 30 }),
      method({}, { forecast: { horizon: 9 } }),
      method(given([0, 1, 1]), { decompose: { by: 'none' } }),
    ]) {
      const ledger = ledgerOf(analyse(JOBS, document))
      for (const column of ledger.columns) {
        columnValues(ledger, column).forEach((value, i) => {
          if (value === null) return
          const worked = evaluate(column.arithmetic(ledger.run.firstT + i))
          expect(Math.abs(worked - value), `${column.name} ${i}`).toBeLessThan(
            1e-8 * (1 + Math.abs(value)),
          )
        })
      }
    }
    const { forecast, method: own } = analyse(JOBS, method(given([0, 1, 1])))
    if (forecast.by !== 'decomposition') throw new Error()
    forecast.forecast.forEach((value, h) =>
      expect(value).toBeCloseTo(forecast.deseasonalized[h]! * forecast.index[h]!, 9),
    )
    expect(piecesText(methodSentence(own, JOBS))).toMatch(
      /; trend an ARIMA model of \(0,1,1\) through all 48 quarters/,
    )
  })

  it('chosen, keeps its orders over the origins of a check', () => {
    const known = { firstT: 1, origin: 30, horizon: 4 }
    const settled = settledAt(JOBS, method({}), known)
    expect(settled?.document.trend).toMatchObject({ form: 'arima', choose: 'given' })
    expect(settled?.wasOpen).toBe(true)
    expect(settledAt(JOBS, method(given([0, 1, 1])), known)?.wasOpen).toBe(false)
    const { found } = calculate(JOBS, method({})).trend as ReturnType<typeof fitArimaTrend>
    expect(found.chosen!.tried.length).toBeGreaterThan(4)
    expect(found.chosen!.differences.D).toBe(0)
  })

  it('is refused what it cannot be, with its place', () => {
    const refusal = (own: Parameters<typeof method>[0]) => {
      try {
        calculate(JOBS, method(own))
      } catch (error) {
        if (error instanceof Refusal) return error.where
      }
      return 'not refused'
    }
    expect(refusal({ choose: 'given' })).toBe('trend.orders')
    expect(refusal({ orders: [0, 1, 0], choose: 'full' })).toBe('trend.orders')
    expect(refusal({ orders: [0, 2, 0], constant: true })).toBe('trend.constant')
    expect(refusal({ orders: [12, 0, 12], last: 20 })).toBe('trend.orders')
    expect(refusal({ time: 'days' })).toBe('trend.time')
    expect(refusal({ smoothing: 'damped' })).toBe('trend.smoothing')
  })
})
