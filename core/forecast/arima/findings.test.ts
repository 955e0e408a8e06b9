import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import type { Stretch } from '../../series/stretch'
import type { ArimaForecast } from './calculate'
import { findingsOfArima } from './findings'

/** As much of a forecast as is spoken of. */
function forecast(own: Partial<ArimaForecast>): ArimaForecast {
  return {
    ...{ order: { p: 0, d: 1, q: 1, P: 0, D: 1, Q: 1 }, constant: 'none', transform: null },
    ...{ coefficients: { ar: [], ma: [-0.4], sar: [], sma: [-0.7] }, beta: [], errors: null },
    ...{ arRoot: null, maRoot: 1.03, residuals: [] },
    ...own,
  } as ArimaForecast
}
const stretch = { calendar: calendarOf('monthly') } as Stretch
const told = (own: Partial<ArimaForecast>) =>
  findingsOfArima(stretch, forecast(own)).filter(({ stage }) => stage === 'trend')
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
