import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { completeMethod } from '../completeMethod'
import { canExclude } from '../decompose/ways'
import { check } from '../check/check'
import type { MethodDocument } from '../method'
import { axisOf } from '../calendar/axis'
import { tradingDays } from '../regression/regressors/calendar/days'
import type { Series } from '../series/series'
import { candidate, candidatesFor } from './candidates'
import { contest } from './contest'

const FORMAT = { format: 'elvant-method/1' } as const
const turning: Series = {
  name: 'Varnish',
  unit: 'litres',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2010, season: 1 },
  values: Array.from(
    { length: 60 },
    (_, t) =>
      (500 + (t < 36 ? 10 * t : 360 - 12 * (t - 36))) *
      [0.8, 1.1, 1.2, 0.9][t % 4]! *
      (1 + 0.01 * ((t * 7) % 5)),
  ),
}

describe('candidates', () => {
  it('are what the series admits, in the order of the ways', () => {
    expect(candidatesFor(turning, FORMAT).map(({ name }) => name)).toEqual([
      // The one that it begins with.
      'Ratio to a 2×4 moving average, multiplicative; a smoothed level with a damped slope',
      'Ratio to a 2×4 moving average, multiplicative; a straight line',
      'Ratio to a 2×4 moving average, multiplicative; a straight line through the last 12 quarters',
      'Ratio to a 2×4 moving average, multiplicative; a straight line through the last 20 quarters',
      'Robust loess, multiplicative; a straight line',
      'Robust loess, multiplicative; a straight line through the last 12 quarters',
      'Robust loess, multiplicative; a straight line through the last 20 quarters',
      'Iterated averages, multiplicative; a straight line',
      'Iterated averages, multiplicative; a straight line through the last 12 quarters',
      'Iterated averages, multiplicative; a straight line through the last 20 quarters',
      'Robust loess, multiplicative; a smoothed level with a damped slope',
      'Iterated averages, multiplicative; a smoothed level with a damped slope',
      'Ratio to a 2×4 moving average, multiplicative; an ARIMA model of orders chosen step by step',
      'Regression, multiplicative, with every season against the average; a straight line',
      'Smoothing with a damped trend, a multiplicative season, errors in proportion',
      'Smoothing in the form with the lowest AICc',
      'ARIMA, orders chosen step by step, values as logarithms',
      'Repeating the last value',
      'Repeating last year',
      'The mean of all values',
      'The last value with its drift',
      'The mean of (1) ratio to a 2×4 moving average, multiplicative; a smoothed level with a damped slope and (2) smoothing with a damped trend, a multiplicative season, errors in proportion',
      'The mean of (1) robust loess, multiplicative; a smoothed level with a damped slope and (2) smoothing with a damped trend, a multiplicative season, errors in proportion',
    ])
  })

  it('of a yearly series have no season, and no last year beside the last value', () => {
    const yearly = {
      ...turning,
      calendar: calendarOf('yearly'),
      values: turning.values.slice(0, 22),
    }
    const names = candidatesFor(yearly, FORMAT).map(({ name }) => name)
    expect(names).not.toContain('Repeating last year')
    expect(names).toContain('Repeating the last value')
    expect(contest(yearly, FORMAT).rows.every(({ refused }) => refused === null)).toBe(true)
  })

  it('have the method begun with also with its calendar the other way, where that is more than chance', () => {
    const calendar = calendarOf('monthly')
    const start = { cycle: 2014, season: 1 }
    const [monday, , , , , saturday] = tradingDays(axisOf({ calendar, start }))
    const made = (effect: number): Series => ({
      ...{ name: 'Paint', unit: 'litres', calendar, start },
      values: Array.from({ length: 96 }, (_, t) => {
        const days = effect * (saturday!.at(t + 1) - monday!.at(t + 1))
        return 1000 * Math.exp(0.2 * Math.sin((Math.PI * t) / 6) + days + 0.01 * Math.sin(t * t))
      }),
    })
    const names = (effect: number, document: MethodDocument = FORMAT) =>
      candidatesFor(made(effect), document).map(({ name }) => name)
    expect(names(0).filter((name) => name.includes('calendar'))).toEqual([])
    const [begun] = names(0.02)
    expect(names(0.02)).toContain(`${begun}; without calendar effects`)
    const taken = { ...FORMAT, calendar: { tradingDay: 'six' } } as const
    expect(names(0.02, taken)).toContain(`${names(0.02, taken)[0]}; calendar effects left in`)
    const { rows } = contest(made(0.02), FORMAT)
    const off = (name: string) => rows.find((row) => row.name === name)!.mean!
    expect(off(`${begun}; without calendar effects`)).toBeLessThan(0.9 * off(begun!))
  })

  it('keep what is no choice between methods', () => {
    const given: MethodDocument = {
      ...FORMAT,
      span: { from: '2012-Q1' },
      missing: 'interpolate',
      decompose: { by: 'stl', exclude: [{ period: '2015-Q1', reason: 'strike' }] },
      forecast: { horizon: 3, levels: [90], limits: 'past-errors' },
    }
    for (const { document, madeOf } of candidatesFor(turning, given)) {
      expect(document.span).toEqual({ from: '2012-Q1' })
      expect(document.forecast).toMatchObject({ horizon: 3, levels: [90] })
      // A combination has no limits but these.
      if (!madeOf) expect(document.forecast!.limits).toBe('past-errors')
      // Extremes are taken back of themselves where nothing can be left out by hand.
      const { decompose } = completeMethod(document, turning)
      if (canExclude(decompose))
        expect(decompose).toMatchObject({ exclude: [{ period: '2015-Q1' }] })
    }
  })
})

describe('a contest', () => {
  const held = contest(turning, FORMAT)

  it('puts a line through all years behind one through the last three, and tells nearest and proposed apart', () => {
    const names = held.rows.map(({ name }) => name)
    expect(held.nearest).toBe(names[0])
    const begun = held.rows.find(({ name }) => name === candidatesFor(turning, FORMAT)[0]!.name)!
    expect(held.proposed).toBe(begun.tiesWithBest ? begun.name : names[0])
    const at = (end: string) => names.findIndex((name) => name.endsWith(end))
    expect(at('last 12 quarters')).toBeLessThan(at('multiplicative; a straight line'))
    const whole = held.rows.find(({ name }) => name.endsWith('multiplicative; a straight line'))!
    expect(whole.mean).toBeGreaterThan(2 * held.rows[0]!.mean!)
    expect(whole.tiesWithBest).toBe(false)
  })

  it('ranks by the mean over the same origins', () => {
    const means = held.rows.map(({ mean }) => mean!)
    expect(means).toEqual([...means].sort((a, b) => a - b))
    for (const { byOrigin } of held.rows) expect(byOrigin).toHaveLength(held.origins.count)
  })

  it('says of a method what its own check says', () => {
    const [first] = held.rows
    expect(check(turning, first!.method)!.verdict!.method).toEqual(first!.off)
  })

  it('names the plainest of those that tie with the first', () => {
    const tied = held.rows.filter(({ tiesWithBest }) => tiesWithBest)
    const plainer = held.rows.find(({ name }) => name === held.plainer)
    if (plainer) expect(tied).toContain(plainer)
    for (const { estimated } of tied) {
      const least = plainer?.estimated ?? held.rows[0]!.estimated!
      expect(estimated!).toBeGreaterThanOrEqual(least)
    }
  })

  it('gives the reason of a method that is refused, and still ranks the others', () => {
    const refused = candidate(turning, {
      ...FORMAT,
      decompose: { by: 'stl', seasonalWindow: 8 },
    })
    const usual = candidate(turning, FORMAT)
    const { rows, proposed } = contest(turning, FORMAT, [refused, usual])
    expect(rows.map(({ name }) => name)).toEqual([usual.name, refused.name])
    expect(rows[1]!.refused).toMatch(/8/)
    expect(proposed).toBe(usual.name)
  })

  it('is refused where there is no origin to forecast from', () => {
    const short = { ...turning, values: turning.values.slice(0, 12) }
    expect(() => contest(short, FORMAT)).toThrow('too short')
  })
})
