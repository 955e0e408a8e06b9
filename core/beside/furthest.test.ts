import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { growth } from '../growth/growth'
import { furthestFromTrend } from './furthest'

const values = Array.from({ length: 32 }, (_, i) => {
  const season = [1.3, 1.1, 0.9, 0.7][i % 4]!
  return (100 + i) * season * (i === 15 ? 1.2 : i === 20 ? 0.8 : 1)
})
const result = (model: 'multiplicative' | 'additive') =>
  analyse(
    {
      name: 'Varnish',
      unit: 'litres',
      calendar: calendarOf('quarterly'),
      start: { cycle: 2016, season: 1 },
      values,
    },
    { format: 'elvant-method/1', decompose: { model } },
  )

describe('what was really good and bad', () => {
  it('is ranked by the distance from the trend, not by its sales', () => {
    const { over, under } = furthestFromTrend(result('multiplicative'), 3)
    expect([over[0]!.t, under[0]!.t]).toEqual([16, 21])
    const distances = over.map(({ distance }) => distance)
    expect(distances).toEqual([...distances].sort((a, b) => b - a))
    const [best] = over
    const rank = values.filter((value) => value > values[15]!).length + 1
    expect(best!.salesRank).toBe(rank)
    expect(best!.words).toMatch(
      /^2019 Q4 was really the best: \d+% over trend, (though|and) .* in values/,
    )
  })

  it('is measured from the trend-cycle where the trend does not fit, and a flood makes no good neighbours', () => {
    const turning = Array.from({ length: 96 }, (_, t) => {
      const level = 1000 + 12 * (t < 60 ? t : 120 - t)
      const flood = t === 40 || t === 41 ? 0.4 : 1
      return level * flood * (1 + 0.2 * Math.cos((t * Math.PI) / 6)) * (1 + 0.01 * Math.sin(t * t))
    })
    const series = {
      ...{ name: 'Varnish', unit: 'litres', calendar: calendarOf('monthly') },
      ...{ start: { cycle: 2016, season: 1 }, values: turning },
    }
    const told = furthestFromTrend(analyse(series, { format: 'elvant-method/1' }), 2)
    expect(told.from).toBe('trend-cycle')
    expect(told.under.map(({ t }) => t).sort()).toEqual([41, 42])
    // The indices still hold a little of the flood; the average does not.
    expect(told.over[0]!.distance).toBeLessThan(0.12)
    expect(told.over[0]!.words).toMatch(/% over trend-cycle, /)
  })

  it('speaks in units for an additive model', () => {
    const [worst] = furthestFromTrend(result('additive'), 1).under
    expect(worst!.words).toMatch(/^2021 Q1 was really the worst: [\d.]+ litres under trend/)
  })
})

describe('growth', () => {
  it('ends at the last period, however it is counted', () => {
    const rates = growth([100, 105, 110, 121, 110], 4)
    expect(rates.periodOnPeriod.at(-1)).toBeCloseTo(-100 / 11, 10)
    expect(rates.annualizedSimple.at(-1)).toBeCloseTo(-400 / 11, 10)
    expect(rates.annualizedCompounded[1]).toBeCloseTo(100 * (1.05 ** 4 - 1), 10)
    expect(rates.yearOnYear).toEqual([null, null, null, null, expect.closeTo(10, 10)])
  })

  it('is undefined over what is missing, zero or negative', () => {
    expect(growth([0, 5, null, 5, -2, 4], 2).periodOnPeriod).toEqual([
      null,
      null,
      null,
      null,
      -140,
      null,
    ])
  })
})
