import { axisOf } from '../calendar/axis'
import { calendarOf } from '../calendar/calendar'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Value } from '../series/series'
import { byYear } from './byYear'
import { movingSeason } from './movingSeason'
import { peakSpacing } from './peakSpacing'
import { kruskalWallis, stableSeason } from './stableSeason'
import { whichModel } from './whichModel'

const START = { cycle: 2020, season: 1 }

describe('stable season', () => {
  it('is the analysis of variance, by hand', () => {
    // Means 1.5 and 5.5 around 3.5: between 4·4 = 16, within 4·0.25 = 1.
    const test = stableSeason([
      [1, 2],
      [5, 6],
    ])
    expect(test.f).toBeCloseTo(16 / (1 / 2), 12)
    expect(test.df).toEqual([1, 2])
  })

  it('is undefined when nothing varies within the seasons', () => {
    expect(
      stableSeason([
        [1, 1],
        [2, 2],
      ]),
    ).toMatchObject({ f: null, p: null })
  })

  it('and its ranks do not change with the unit', () => {
    const groups = fc.array(
      fc.array(fc.double({ min: 0.5, max: 2, noNaN: true }), { minLength: 2, maxLength: 6 }),
      { minLength: 2, maxLength: 5 },
    )
    fc.assert(
      fc.property(groups, fc.constantFrom(0.01, 3, 1e5), (values, scale) => {
        const scaled = values.map((group) => group.map((value) => value * scale))
        const [f, other] = [stableSeason(values).f, stableSeason(scaled).f]
        if (f === null || other === null) return
        expect(other / f).toBeCloseTo(1, 6)
        expect(kruskalWallis(scaled).df).toBe(kruskalWallis(values).df)
      }),
    )
  })

  it('by ranks is corrected for ties', () => {
    const { h, tieFactor } = kruskalWallis([
      [1, 1],
      [2, 2],
    ])
    // Ranks 1.5, 1.5, 3.5, 3.5: 12/20·(9/2 + 49/2) − 15 = 2.4, divided by 1 − 12/60.
    expect(tieFactor).toBeCloseTo(0.8, 12)
    expect(h).toBeCloseTo(3, 12)
    expect(kruskalWallis([[3], [3]]).h).toBeNull()
  })
})

const axisFrom = (frequency: 'half-yearly' | 'quarterly') =>
  axisOf({ calendar: calendarOf(frequency), start: START })

describe('moving season', () => {
  it('uses complete calendar years only, and needs two', () => {
    const years = byYear([1.1, 0.9, 1.2, 0.8, 1.4], axisFrom('half-yearly'))
    expect(years.map(({ year }) => year)).toEqual([2020, 2021, 2022])
    expect(movingSeason(years, 1)).toMatchObject({ years: [2020, 2021], df: [1, 1] })
    expect(movingSeason(years.slice(0, 1), 1).f).toBeNull()
  })

  it('is large for a season that grows evenly', () => {
    const values = Array.from({ length: 24 }, (_, i) => {
      const year = Math.floor(i / 4)
      return 1 + (0.1 + 0.05 * year) * [1, -1, 0.9, -0.9][i % 4]! + 0.001 * ((i * 7) % 3)
    })
    expect(movingSeason(byYear(values, axisFrom('quarterly')), 1).p).toBeLessThan(1e-6)
  })
})

describe('which model', () => {
  const level = (t: number) => 100 + 10 * t
  const pattern = [0.2, -0.1, 0.1, -0.2]

  it('is multiplicative for a swing that is a share, additive for one that is an amount', () => {
    const share = Array.from({ length: 24 }, (_, t) => level(t) * (1 + pattern[t % 4]!))
    const amount = Array.from({ length: 24 }, (_, t) => level(t) + 60 * pattern[t % 4]!)
    expect(whichModel(share, axisFrom('quarterly'))).toMatchObject({
      better: 'multiplicative',
      close: false,
    })
    expect(whichModel(amount, axisFrom('quarterly'))).toMatchObject({
      better: 'additive',
      close: false,
    })
  })

  it('keeps to amounts with a value that is not above 0', () => {
    const values = Array.from({ length: 24 }, (_, t) => 50 * pattern[t % 4]! + (t % 5))
    expect(whichModel(values, axisFrom('quarterly'))).toMatchObject({
      better: 'additive',
      ratios: null,
    })
  })

  it('is refused below three full years, saying how many there are', () => {
    expect(() => whichModel(Array(14).fill(5), axisFrom('quarterly'))).toThrow(
      /three full years.*there are 2/,
    )
  })
})

describe('peaks and troughs', () => {
  it.each<[string, Value[], number, string | null]>([
    ['every fourth', [1, 3, 1, 0, 1, 3, 1, 0, 1, 3, 1], 4, 'seasonal'],
    ['every third of four', [0, 2, 0, 0, 2, 0, 0, 2, 0, 0, 2, 0], 9, 'another-season'],
    ['at unequal distances', [0, 2, 0, 2, 0, 1, 1, 1, 0, 0, 2, 0], 4, 'cyclical'],
    ['a line', [1, 2, 3, 4, 5, 6], 4, null],
  ])('%s', (_, values, seasons, verdict) => {
    expect(peakSpacing(values, seasons, 1).verdict).toBe(verdict)
  })

  it('count a plateau once, at its first period, and none beside a gap', () => {
    expect(peakSpacing([1, 3, 3, 1, 0], 4, 1).peaks).toEqual([2])
    expect(peakSpacing([1, 3, 3, 4, 0], 4, 1).peaks).toEqual([4])
    expect(peakSpacing([null, 3, 1, 0], 4, 1).peaks).toEqual([])
  })

  it('a trough is a peak of the mirrored series', () => {
    const any = fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 5, maxLength: 40 })
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 3 }), (values, width) => {
        const mirrored = peakSpacing(
          values.map((value) => -value),
          4,
          width,
        )
        expect(mirrored.peaks).toEqual(peakSpacing(values, 4, width).troughs)
      }),
    )
  })
})
