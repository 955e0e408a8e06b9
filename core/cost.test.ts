import { describe, expect, it } from 'vitest'
import { calendarOf } from './calendar/calendar'
import { costOf, isAtOnce } from './cost'
import type { MethodDocument } from './method'
import type { Series } from './series/series'

const months = (periods: number): Series => ({
  name: 'Primer',
  unit: 'litres',
  calendar: calendarOf('monthly'),
  start: { cycle: 1980, season: 1 },
  values: Array.from({ length: periods }, (_, t) => 100 + t + 20 * Math.sin((Math.PI * t) / 6)),
})
const by = (method: Partial<MethodDocument>): MethodDocument => ({
  format: 'elvant-method/1',
  ...method,
})
const STRAIGHT = by({ trend: { form: 'linear' } })
const FOLLOWING = by({ trend: { form: 'smoothed' } })

describe('what a method costs', () => {
  it('is said by every part of itself', () => {
    const plain = costOf(STRAIGHT, months(120))!
    const more = [
      by({ ...STRAIGHT, decompose: { by: 'stl' } }),
      FOLLOWING,
      by({ ...STRAIGHT, forecast: { by: 'regression' } }),
      by({ ...STRAIGHT, forecast: { by: 'smoothing' } }),
      by({ ...STRAIGHT, forecast: { limits: 'past-errors' } }),
      by({ ...STRAIGHT, calendar: { tradingDay: 'six', easter: 8 } }),
    ]
    for (const method of more) expect(costOf(method, months(120))).toBeGreaterThan(plain)
  })

  it('of a combination is that of its methods together', () => {
    const of = [
      { trend: { form: 'linear' as const } },
      { forecast: { by: 'smoothing', trend: 'additive', season: 'additive', error: 'additive' } },
    ]
    const two = costOf(by({ forecast: { by: 'combination', of } }), months(120))!
    const first = costOf(
      by({ forecast: { by: 'combination', of: [of[0]!, of[0]!] } }),
      months(120),
    )!
    expect(two).toBeGreaterThan(first)
  })

  it('of a refused method is none', () => {
    expect(costOf(by({ trend: { form: 'breaks' } }), months(120))).toBeNull()
    expect(isAtOnce(by({ trend: { form: 'breaks' } }), months(120))).toBe(true)
  })
})

describe('done at once is', () => {
  it.each([
    ['a line through ten years', STRAIGHT, 120],
    ['a line through fifty years', STRAIGHT, 600],
    ['a level and slope chosen for ten years', FOLLOWING, 120],
    ['loess windows over ten years', by({ ...STRAIGHT, decompose: { by: 'stl' } }), 120],
  ])('%s', (_, method, periods) => {
    expect(isAtOnce(method, months(periods))).toBe(true)
  })

  it.each([
    ['a level and slope chosen for fifty years', FOLLOWING, 600],
    ['every form of smoothing', by({ forecast: { by: 'smoothing', trend: 'chosen' } }), 120],
    [
      'limits from past errors of a level that is chosen anew each time',
      by({ ...FOLLOWING, forecast: { limits: 'past-errors' } }),
      480,
    ],
    ['a line through two hundred years', STRAIGHT, 2400],
  ])('but not %s', (_, method, periods) => {
    expect(isAtOnce(method, months(periods))).toBe(false)
  })
})
