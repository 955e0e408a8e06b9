import { expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import { readEffects } from './reading'
import type { CalendarTaken } from './taken'

const taken = (model: CalendarTaken['model']): CalendarTaken => ({
  effects: [{ effect: 'tradingDay6' }, { effect: 'easter', window: 8 }],
  facts: {
    ...{ calendar: calendarOf('monthly'), start: { cycle: 2014, season: 1 } },
    ...{ firstT: 1, lastT: 120, endT: 132 },
  },
  ...{
    model,
    divides: false,
    at: 13,
    leftOut: [],
    groups: [],
    arima: null,
    alike: null,
    aicc: { withAll: 0, withoutAny: 1 },
    leftover: null,
  },
  coefficients: [-0.01, 0, 0, 0, 0, 0.02, 0.05],
  // Each off by 0.002, independent of the others.
  covariance: Array.from({ length: 7 }, (_, i) =>
    Array.from({ length: 7 }, (_, j) => (i === j ? 0.002 ** 2 : 0)),
  ),
})

it('says what one day more does, Sunday minus all the others', () => {
  const read = readEffects(taken('additive'))
  expect(read.map(({ name }) => name)).toEqual([
    ...['one Monday more', 'one Tuesday more', 'one Wednesday more', 'one Thursday more'],
    ...['one Friday more', 'one Saturday more', 'one Sunday more', 'all days before Easter'],
  ])
  expect(read[5]).toMatchObject({ estimate: 0.02, standardError: 0.002 })
  expect(read[6]!.estimate).toBeCloseTo(-0.01, 12)
  expect(read[6]!.standardError).toBeCloseTo(Math.sqrt(6) * 0.002, 12)
  expect(read[7]!.estimate).toBe(0.05)
})

it('of logarithms says it in shares', () => {
  const read = readEffects(taken('multiplicative'))
  expect(read[5]!.estimate).toBeCloseTo(Math.exp(0.02) - 1, 12)
  expect(read[5]!.standardError).toBeCloseTo(Math.exp(0.02) * 0.002, 12)
})
