import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import type { Series } from '../series/series'
import { lastAgainst } from './against'

const series: Series = {
  ...{ name: 'Glaze', unit: 'pieces', calendar: calendarOf('monthly') },
  ...{ start: { cycle: 2025, season: 1 }, values: [90, 110, null] },
}
const made = {
  period: ['2025-02', '2025-03'],
  forecast: [100, 101],
  limits: {
    80: { lower: [95, 95], upper: [105, 106] },
    95: { lower: [90, 90], upper: [111, 112] },
  },
}

describe('the newest value beside its forecast', () => {
  it('is the last that is there, within the widest limits or not', () => {
    expect(lastAgainst(series, made)).toEqual({
      ...{ period: '2025-02', actual: 110, forecast: 100, isWithin: true },
      percent: expect.closeTo(10, 10) as number,
    })
    const far = lastAgainst({ ...series, values: [90, 120] }, made)!
    expect([far.percent, far.isWithin]).toEqual([expect.closeTo(20, 10), false])
  })

  it('is not known of a forecast that was made of the same values', () => {
    expect(lastAgainst({ ...series, values: [90] }, made)).toBeNull()
    expect(lastAgainst({ ...series, values: [null] }, made)).toBeNull()
  })

  it('has no per cent of nothing, and is within no limits where there are none', () => {
    const none = lastAgainst(series, { ...made, forecast: [0, 0], limits: {} })!
    expect([none.percent, none.isWithin]).toEqual([null, null])
  })
})
