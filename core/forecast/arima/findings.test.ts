import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import type { Stretch } from '../../series/stretch'
import type { ArimaForecast } from './calculate'
import { findingsOfArima } from './findings'
import { differencesWords, halfLife, halfLifeWords, termsOfArima } from './readings'

/** As much of a forecast as is spoken of. */
function forecast(own: Partial<ArimaForecast>): ArimaForecast {
  return {
    ...{ order: { p: 0, d: 1, q: 1, P: 0, D: 1, Q: 1 }, constant: 'none', transform: null },
    ...{ coefficients: { ar: [], ma: [-0.4], sar: [], sma: [-0.7] }, beta: [], errors: null },
    ...{ arRoot: null, maRoot: 1.03 },
    ...own,
  } as ArimaForecast
}
const stretch = { calendar: calendarOf('monthly') } as Stretch
const told = (own: Partial<ArimaForecast>) =>
  findingsOfArima(stretch, forecast(own)).filter(({ stage }) => stage === 'trend')
const reads = (own: Partial<ArimaForecast>) =>
  termsOfArima(forecast(own), 12, 'month').map(({ name, reads: says }) => `${name}: ${says}`)

describe('what is said of an ARIMA model', () => {
  it('is nothing of one whose roots are clear', () => {
    expect(told({})).toEqual([])
  })

  it('is that a difference is taken back, with a model of one less', () => {
    const [circle] = told({ maRoot: 1 })
    expect(circle).toMatchObject({ code: 'moving-average-root-on-circle', severity: 'caution' })
    expect(circle!.actions![0]).toMatchObject({
      change: { forecast: { orders: [0, 1, 1], seasonalOrders: [0, 0, 1] } },
    })
    const plain = told({ maRoot: 1, order: { p: 0, d: 1, q: 1, P: 0, D: 0, Q: 0 } })[0]!
    expect(plain.actions![0]).toMatchObject({ change: { forecast: { orders: [0, 0, 1] } } })
    const years = told({ maRoot: 1, order: { p: 0, d: 0, q: 1, P: 0, D: 1, Q: 0 } })[0]!
    expect(years.actions![0]).toMatchObject({ change: { forecast: { seasonalOrders: [0, 0, 0] } } })
    expect(
      told({ maRoot: 1, order: { p: 0, d: 0, q: 1, P: 0, D: 0, Q: 0 } })[0]!.actions,
    ).toBeUndefined()
  })

  it('is that a difference is wanted', () => {
    expect(told({ arRoot: 1.0002 })[0]!.text).toMatch(
      /^An autoregressive root lies on the unit circle \(1\):/,
    )
  })

  it('is the drift of a year, and whether it can be told from nothing', () => {
    const errors = { ar: [], ma: [0.1], sar: [], sma: [0.1], beta: [0.4] }
    const [drift] = told({ constant: 'drift', beta: [2.5], errors })
    expect(drift!.text).toBe('The drift is 30 a year (standard error 4.8).')
    expect(told({ constant: 'drift', beta: [0.5], errors })[0]!.text).toMatch(
      /cannot be told from nothing/,
    )
  })
})

describe('a coefficient in words', () => {
  it('says what of a surprise, or of a departure, is kept', () => {
    expect(reads({})).toEqual([
      "MA 1: 60% of last month's surprise stays in the level",
      "MA 12: 30% of last year's surprise stays in the season",
    ])
    const order = { p: 1, d: 0, q: 1, P: 0, D: 0, Q: 0 }
    const coefficients = { ar: [0.62], ma: [0.25], sar: [], sma: [] }
    expect(reads({ order, coefficients, constant: 'mean', beta: [80] })).toEqual([
      "AR 1: 62% of last month's departure is kept",
      "MA 1: 25% of last month's surprise comes again",
      'mean: ',
    ])
    expect(halfLife(forecast({ order, coefficients }))).toBeCloseTo(1.45, 2)
    expect(halfLifeWords(3.106, 'month')).toBe('A surprise is forgotten by half in 3.1 months.')
    expect(halfLife(forecast({}))).toBeNull()
  })

  it('says nothing of one of several, which mean nothing alone', () => {
    const order = { p: 2, d: 0, q: 0, P: 0, D: 0, Q: 0 }
    const coefficients = { ar: [0.5, 0.2], ma: [], sar: [], sma: [] }
    expect(reads({ order, coefficients })).toEqual(['AR 1: ', 'AR 2: '])
  })
})

it('how often values are differenced, with every figure that decided it', () => {
  const test = { d: 0, n: 108, lags: 4, statistic: 1.4761, critical: 0.463, rejected: true }
  const one = { seasonalWindow: 13, seasonStrength: 0.961, D: 1, d: 1, tests: [test] }
  expect(differencesWords(one)).toBe(
    'Strength of season 0.96: differenced by the year (above 0.64 it is). KPSS 1.476 above 0.463: 1 first difference.',
  )
  const short = { ...one, D: 0, d: 0, tests: [{ ...test, statistic: null, rejected: false }] }
  expect(differencesWords(short)).toBe(
    'Strength of season 0.96: not differenced by the year (above 0.64 it is, where enough years came). KPSS of a constant: no first differences.',
  )
})
