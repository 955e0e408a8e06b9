import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import type { MethodDocument } from '../../method'
import type { Series, Value } from '../../series/series'
import { tQuantile } from '../../statistics/distributions'
import { smoothTrend } from './fit'

const series = (values: readonly Value[]): Series => ({
  name: 'Contract work',
  unit: 'jobs',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2018, season: 1 },
  values,
})
const method = (
  trend: MethodDocument['trend'],
  more: Partial<MethodDocument> = {},
): MethodDocument => ({ format: 'elvant-method/1', trend, ...more })
/** A level that wanders, with a season on it. */
const wandering = Array.from({ length: 40 }, (_, t) => {
  const level = 200 + 30 * Math.sin(t / 7) + 9 * Math.sin(1.7 * t * t)
  return level * [0.8, 1.1, 1.25, 0.85][t % 4]!
})

describe('a smoothed trend', () => {
  it('goes on from its last level and slope, as its arithmetic says', () => {
    const values = [12, 15, 14, 18, 19, 23, 22, 26, 27, 31]
    const trend = smoothTrend(values, 1, { smoothing: 'additive', seasons: 1 })
    const { alpha = 0, beta = 0 } = trend.chosen.weights
    let { level, trend: slope = 0 } = trend.chosen.initial
    values.forEach((value, i) => {
      expect(trend.at(i + 1)).toBeCloseTo(level + slope, 9)
      const next = alpha * value + (1 - alpha) * (level + slope)
      slope = beta * (next - level) + (1 - beta) * slope
      level = next
    })
    expect(trend.at(13)).toBeCloseTo(level + 3 * slope, 9)
    expect(trend.spread.leverageAt(11)).toBe(0)
    expect(trend.spread.leverageAt(13)).toBeCloseTo(
      alpha ** 2 * ((1 + beta) ** 2 + (1 + 2 * beta) ** 2),
      12,
    )
  })

  it('is put back into season, with the part of the index under the root of its limits', () => {
    const { forecast, trendFit } = analyse(series(wandering), method({ form: 'smoothed' }))
    if (forecast.by !== 'decomposition' || trendFit.form !== 'smoothed') throw new Error()
    const { sigma, criteria } = trendFit.smoothing
    const { df, sRelative, s } = forecast.interval
    expect(df).toBe(40 - criteria.k + 1 - 3)
    expect(s).toBeCloseTo(sigma! * Math.sqrt((df + 3) / df), 9)
    for (const [i, level] of forecast.deseasonalized.entries()) {
      expect(forecast.forecast[i]).toBeCloseTo(level * forecast.index[i]!, 9)
      const reach =
        tQuantile(80, df) *
        sRelative! *
        level *
        Math.sqrt(1 + forecast.leverage[i]! + forecast.uncertainty[i]!)
      expect(forecast.limits['80']!.lower[i]).toBeCloseTo((level - reach) * forecast.index[i]!, 9)
    }
  })

  it('of a yearly series is smoothing without a season', () => {
    const yearly = { ...series(wandering.slice(0, 24)), calendar: calendarOf('yearly') }
    const byTrend = analyse(yearly, method({ form: 'smoothed', smoothing: 'damped' }))
    const bySmoothing = analyse(
      yearly,
      method({}, { forecast: { by: 'smoothing', trend: 'damped', error: 'additive' } }),
    )
    for (const [i, value] of byTrend.forecast.forecast.entries()) {
      expect(value).toBeCloseTo(bySmoothing.forecast.forecast[i]!, 9)
    }
  })

  it('moves with the unit of the values and with their level', () => {
    const steps = fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 14, maxLength: 30 })
    fc.assert(
      fc.property(steps, fc.integer({ min: 1, max: 50 }), (changes, factor) => {
        let level = 100
        const values = changes.map((change) => (level += change))
        const ahead = (own: readonly number[]) =>
          smoothTrend(own, 1, { smoothing: 'damped', seasons: 4 }).at(values.length + 3)
        const plain = ahead(values)
        const moved = ahead(values.map((value) => factor * (value + 1000)))
        expect(Math.abs(moved / factor - 1000 - plain)).toBeLessThan(0.02 * (1 + Math.abs(plain)))
      }),
      { numRuns: 25 },
    )
  })

  it('refuses what does nothing, and a regression that would need its columns', () => {
    expect(() => analyse(series(wandering), method({ smoothing: 'damped' }))).toThrow(
      /belongs to the trend form "smoothed"/,
    )
    expect(() => analyse(series(wandering), method({ form: 'smoothed', time: 'days' }))).toThrow(
      /cannot count in days/,
    )
    expect(() =>
      analyse(series(wandering), method({ form: 'smoothed' }, { forecast: { by: 'regression' } })),
    ).toThrow(/has columns for its trend/)
  })
})
