import { describe, expect, it } from 'vitest'
import { changed, type MethodDocument } from '../../method'
import {
  isSameList,
  stateOf,
  withChoice,
  withErrors,
  withList,
  withListGiven,
  withState,
} from './byHand'
import type { CalendarDocument } from './options'

const method = (calendar?: CalendarDocument): MethodDocument => ({
  format: 'elvant-method/1',
  ...(calendar ? { calendar } : {}),
})
const FAIR = { name: 'fair', dates: ['2020-05-01', '2026-05-01'] }

describe('an effect of the calendar by hand', () => {
  it('goes from left in to where it helps to taken out, and back', () => {
    const open = changed(method(), withState({}, 'easter', 'where-it-helps')).calendar!
    expect(open).toEqual({ easter: 8, ifItHelps: ['easter'] })
    expect(stateOf(open, 'easter')).toBe('where-it-helps')
    const out = changed(method(open), withState(open, 'easter', 'out')).calendar!
    expect(out).toEqual({ easter: 8 })
    expect([stateOf(out, 'easter'), stateOf(out, 'tradingDay')]).toEqual(['out', 'in'])
    expect(changed(method(out), withState(out, 'easter', 'in')).calendar).toBeUndefined()
  })

  it('keeps its window, and leaves the others as they are', () => {
    const asked: CalendarDocument = { tradingDay: 'one', easter: 12, ifItHelps: ['tradingDay'] }
    expect(changed(method(asked), withState(asked, 'easter', 'where-it-helps')).calendar).toEqual({
      ...{ tradingDay: 'one', easter: 12 },
      ifItHelps: ['tradingDay', 'easter'],
    })
    expect(changed(method(asked), withState(asked, 'tradingDay', 'in')).calendar).toEqual({
      easter: 12,
    })
  })

  it('that divides the values is left to no criterion', () => {
    const asked: CalendarDocument = { length: 'leap-year', ifItHelps: ['length'] }
    expect(changed(method(asked), withChoice(asked, 'length', 'divide')).calendar).toEqual({
      length: 'divide',
    })
  })

  it('a list comes in, is changed in its place, and goes', () => {
    const one = changed(method(), withList({}, FAIR, 'out')).calendar!
    expect(one).toEqual({ holidays: [FAIR] })
    const wider = { ...FAIR, after: 3 }
    const two = changed(method(one), withList(one, wider, 'where-it-helps')).calendar!
    expect(two).toEqual({ holidays: [wider], ifItHelps: ['fair'] })
    expect(stateOf(two, 'fair')).toBe('where-it-helps')
    expect(changed(method(two), withList(two, wider, 'in')).calendar).toBeUndefined()
  })

  it('is estimated as an ARIMA model has its errors, and without its orders as independent ones again', () => {
    const asked = { tradingDay: 'six' } as const
    const model = changed(method(asked), withErrors(asked, 'arima')).calendar!
    expect(model).toEqual({ tradingDay: 'six', errors: 'arima' })
    const given = { ...model, orders: [0, 1, 1], seasonalOrders: [0, 1, 1] } as CalendarDocument
    expect(changed(method(given), withErrors(given, 'independent')).calendar).toEqual(asked)
    // With the last effect the model goes too.
    expect(changed(method(given), withState(given, 'tradingDay', 'in')).calendar).toBeUndefined()
  })
})

describe('a list that several series share', () => {
  it('takes the place of the one of its name, and of no other', () => {
    const fresh = { ...FAIR, after: 2 }
    const sale = { name: 'sale', dates: ['2022-01-08'] }
    const calendar: CalendarDocument = { easter: 8, holidays: [sale, FAIR], ifItHelps: ['fair'] }
    expect(withListGiven({ calendar }, fresh)).toEqual({ ...calendar, holidays: [sale, fresh] })
    expect(withListGiven({ calendar: { easter: 8 } }, fresh)).toBeNull()
    expect(withListGiven({}, fresh)).toBeNull()
  })

  it('is the same with its dates in another order, or one twice', () => {
    const [first, ...rest] = FAIR.dates
    const same = { ...FAIR, dates: [...rest, first!, first!], before: 0 }
    expect(isSameList(FAIR, same)).toBe(true)
    expect(withListGiven({ calendar: { holidays: [FAIR] } }, same)).toBeNull()
    expect(isSameList(FAIR, { ...FAIR, before: 1 })).toBe(false)
  })
})
