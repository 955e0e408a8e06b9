import { axisOf } from '../../calendar/axis'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calculate } from '../../calculate'
import { calendarOf } from '../../calendar/calendar'
import { settledAt } from '../../check/settle'
import { evaluate } from '../../column/kinds/kinds'
import { columnValues, ledgerOf } from '../../ledger/ledger'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { tradingDays } from '../../regression/regressors/calendar/days'
import { easterColumn } from '../../regression/regressors/calendar/easter'
import type { Series } from '../../series/series'
import { seededUniform } from '../../statistics/random'
import type { CalendarDocument } from './options'
import type { CalendarTaken } from './taken'
import { calendarWords } from './words'

const START = { cycle: 2014, season: 1 }
const AXIS = axisOf({ calendar: calendarOf('monthly'), start: START })
const SATURDAY = 0.012
const EASTER = 0.05
/** Months whose level is a walk, with a season; with effects Saturdays sell more than Mondays, and the days before Easter. */
function walk(seed: number, hasEffects: boolean, count = 108): Series {
  const uniform = seededUniform(seed)
  const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
  const six = tradingDays(AXIS)
  const easter = easterColumn(AXIS, 8)
  let level = 7
  const values = Array.from({ length: count }, (_, i) => {
    const t = i + 1
    level += 0.02 * normal()
    const days = SATURDAY * (six[5]!.at(t) - six[0]!.at(t)) + EASTER * easter.at(t)
    const season = 0.3 * Math.sin((2 * Math.PI * t) / 12)
    return Math.exp(level + season + (hasEffects ? days : 0) + 0.008 * normal())
  })
  return { name: 'Paint', unit: 'litres', calendar: calendarOf('monthly'), start: START, values }
}
const EFFECTS = {
  errors: 'arima',
  tradingDay: 'six',
  easter: 8,
} as const satisfies CalendarDocument
const GIVEN = { ...EFFECTS, orders: [0, 1, 1], seasonalOrders: [0, 1, 1] } as const
const method = (calendar: CalendarDocument): MethodDocument => ({
  ...{ format: 'elvant-method/1', trend: { form: 'linear' }, calendar },
})
const takenOf = (own: Series, calendar: CalendarDocument) =>
  calculate(own, method(calendar)).prepared.takenOut!.calendar as CalendarTaken
const errorOf = ({ covariance }: Pick<CalendarTaken, 'covariance'>, place: number) =>
  Math.sqrt(covariance[place]![place]!)
const PAINT = walk(3, true)

describe('calendar effects with ARIMA errors', () => {
  it('on a walk are told from nothing where a straight line loses them, and hold what their limits say', () => {
    const taken = takenOf(PAINT, GIVEN)
    expect(taken.arima!.model.order).toMatchObject({ d: 1, q: 1, D: 1, Q: 1 })
    expect(errorOf(taken, 5)).toBeLessThan(0.6 * errorOf(taken.arima!.independent, 5))
    for (const [place, truth] of [
      [0, -SATURDAY],
      [5, SATURDAY],
      [6, EASTER],
    ] as const) {
      expect(Math.abs(taken.coefficients[place]! - truth)).toBeLessThan(3 * errorOf(taken, place))
    }
    expect(taken.groups.every(({ joint, isKept }) => isKept && joint.p! < 0.001)).toBe(true)
  })

  it('of series without any are told in about as many as their probability says', () => {
    const tries = 30
    let told = 0
    let kept = 0
    for (let seed = 1; seed <= tries; seed++) {
      const { groups } = takenOf(walk(seed, false, 84), {
        ...GIVEN,
        ifItHelps: ['tradingDay', 'easter'],
      })
      if (groups.some(({ joint }) => joint.p! <= 0.01)) told++
      if (groups.some(({ isKept }) => isKept)) kept++
    }
    // Two effects are looked for at one in a hundred each; the variance of what is fitted makes it a little more.
    expect(told).toBeLessThanOrEqual(3)
    expect(kept).toBeLessThan(tries / 3)
  }, 60_000)

  it('are worked out in every cell, and come back in the forecast', () => {
    const ledger = ledgerOf(analyse(PAINT, method(GIVEN)))
    for (const name of ['calendar', 'withoutCalendar', 'forecast', 'calendarError']) {
      const column = ledger.find(name)!
      columnValues(ledger, column).forEach((value, i) => {
        if (value === null) return
        const own = evaluate(column.arithmetic(ledger.run.firstT + i))
        expect(Math.abs(own - value), `${name} ${i}`).toBeLessThan(1e-8 * (1 + Math.abs(value)))
      })
    }
  })

  it('of orders that are chosen are those of the values without them, and a check keeps them', () => {
    const chosen = takenOf(PAINT, EFFECTS)
    expect(chosen.arima!.model.order).toMatchObject({ d: 1, D: 1 })
    expect(chosen.arima!.model.chosen!.tried.length).toBeGreaterThan(4)
    const settled = settledAt(PAINT, method(EFFECTS), { firstT: 1, origin: 84, horizon: 12 })!
    expect(settled.wasOpen).toBe(true)
    expect(settled.document.calendar).toMatchObject({ errors: 'arima', choose: 'given', easter: 8 })
    expect(calculate(PAINT, settled.document).ahead.forecast).toHaveLength(12)
  }, 30_000)

  it('leave a month out of the estimation that is left out of the season', () => {
    const flooded = { ...PAINT, values: PAINT.values.map((y, i) => (i === 41 ? y! / 2 : y)) }
    const exclude = [{ period: '2017-06', reason: 'flood' }]
    const { coefficients } = calculate(flooded, {
      ...method(GIVEN),
      decompose: { exclude },
    } as MethodDocument).prepared.takenOut!.calendar as CalendarTaken
    const dry = takenOf({ ...PAINT, values: PAINT.values.with(41, null) }, GIVEN)
    coefficients.forEach((own, j) => expect(own).toBeCloseTo(dry.coefficients[j]!, 5))
  })

  it('are refused orders that make no sense, with their place, and say what they are', () => {
    const refusal = (calendar: CalendarDocument) => {
      try {
        calculate(PAINT, method(calendar))
      } catch (error) {
        if (error instanceof Refusal) return error.where
      }
      return 'not refused'
    }
    expect(refusal({ tradingDay: 'six', orders: [0, 1, 1] })).toBe('calendar.orders')
    expect(refusal({ ...EFFECTS, choose: 'given' })).toBe('calendar.orders')
    expect(refusal({ ...GIVEN, constant: true })).toBe('calendar.constant')
    expect(refusal({ ...EFFECTS, orders: [12, 0, 12], seasonalOrders: [12, 0, 12] })).toBe(
      'calendar.orders',
    )
    expect(calendarWords(EFFECTS)).toBe('trading days and Easter, with ARIMA errors')
  })
})
