import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Value } from '../series/series'
import { compositeAverage, compositeWeights } from './compositeAverage'
import { centredAverage, offCentreAverages, offCentrePosition } from './movingAverage'
import { rollingDeviation, trailingAverage, withinSeasonMean } from './rolling'
import { centredWeights, leavesSeason, seasonalGain } from './seasonalGain'
import { henderson, requireWeights, SPENCER, weightedAverage } from './weightedAverage'

/** Whole numbers of moderate size: sums of them are exact. */
const wholeValues = fc.array(fc.integer({ min: -1_000_000, max: 1_000_000 }), {
  minLength: 1,
  maxLength: 60,
})

describe('offCentreAverages', () => {
  it('gives the mean of the values that start at each entry', () => {
    expect(offCentreAverages([41, 69, 74, 38, 45], 4)).toEqual([55.5, 56.5, null, null, null])
  })

  it('stand between two periods for an even order, on one for an odd', () => {
    expect(offCentrePosition(1, 4)).toBe(2.5)
    expect(offCentrePosition(1, 3)).toBe(2)
  })

  it('leave no trace of one huge value in later windows', () => {
    const averages = offCentreAverages([1e17, 1, 2, 3, 4], 3)
    expect(averages.slice(1, 3)).toEqual([2, 3])
  })
})

describe('centredAverage', () => {
  it('of an odd order is the mean around the period', () => {
    expect(centredAverage([3, 6, 9, 30, 3], 3)).toEqual([null, 6, 15, 14, null])
  })

  it('of an even order is the mean of the two averages beside it', () => {
    // Quarters by hand: (41+69+74+38)/4 = 55.5, (69+74+38+45)/4 = 56.5, centred 56.
    expect(centredAverage([41, 69, 74, 38, 45, 73], 4)).toEqual([null, null, 56, 57, null, null])
  })

  it('is undefined wherever its window touches a missing value', () => {
    const values: Value[] = [1, 2, 3, 4, null, 6, 7, 8, 9, 10, 11]
    expect(centredAverage(values, 4)).toEqual([...Array<null>(7).fill(null), 8, 9, null, null])
  })

  it('longer than the series is undefined everywhere', () => {
    expect(centredAverage([1, 2, 3], 12)).toEqual([null, null, null])
  })

  it('loses ⌊k/2⌋ periods at each end and nothing else', () => {
    fc.assert(
      fc.property(wholeValues, fc.integer({ min: 1, max: 15 }), (values, order) => {
        const lost = Math.floor(order / 2)
        centredAverage(values, order).forEach((value, i) => {
          const inside = i >= lost && i < values.length - lost
          expect(value !== null).toBe(inside)
        })
      }),
    )
  })

  it('is the weighted sum of its stated weights', () => {
    fc.assert(
      fc.property(wholeValues, fc.integer({ min: 1, max: 13 }), (values, order) => {
        const weights = centredWeights(order)
        const half = (weights.length - 1) / 2
        centredAverage(values, order).forEach((value, i) => {
          if (value === null) return
          const sum = weights.reduce((total, w, j) => total + w * values[i - half + j]!, 0)
          expect(value).toBeCloseTo(sum, 6)
        })
      }),
    )
  })

  it('returns a straight line unchanged', () => {
    const line = Array.from({ length: 30 }, (_, i) => 5 + 3 * i)
    for (const order of [3, 4, 7, 12]) {
      centredAverage(line, order).forEach((value, i) => {
        if (value !== null) expect(value).toBeCloseTo(line[i]!, 10)
      })
    }
  })
})

describe('seasonalGain', () => {
  it('of a year of seasons is 0 at every seasonal frequency', () => {
    for (const m of [2, 3, 4, 5, 7, 12]) {
      expect(leavesSeason(seasonalGain(centredWeights(m), m))).toBe(false)
    }
  })

  it('finds the season that a nine-term average of months leaves', () => {
    const gain = seasonalGain(centredWeights(9), 12)
    // |sin(9π/12) / (9 sin(π/12))|: the yearly wave that passes through nine terms.
    expect(gain[0]).toBeCloseTo(Math.sin((9 * Math.PI) / 12) / (9 * Math.sin(Math.PI / 12)), 12)
    expect(leavesSeason(gain)).toBe(true)
  })

  it('of weights that sum to 1 never exceeds their absolute sum', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 2, max: 24 }), (k, m) => {
        for (const gain of seasonalGain(centredWeights(k), m)) {
          expect(gain).toBeLessThanOrEqual(1 + 1e-12)
        }
      }),
    )
  })
})

describe('composite averages', () => {
  it('are an average of averages, by hand', () => {
    // 3-term averages 3, 16/3, 22/3; their mean is 47/9.
    expect(compositeAverage([1, 2, 6, 8, 8], 3, 3)[2]).toBeCloseTo(47 / 9, 12)
  })

  it('2×k is the centred average of order k', () => {
    const values = [3, 1, 4, 1, 5, 9, 2, 6, 5, 3, 5, 8, 9]
    expect(compositeAverage(values, 2, 4)).toEqual(centredAverage(values, 4))
    expect(compositeWeights(2, 4)).toEqual(centredWeights(4))
  })

  it('have weights that sum to 1 and give the same figures', () => {
    const pairs = fc
      .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
      .filter(([p, q]) => p % 2 === q % 2)
    fc.assert(
      fc.property(wholeValues, pairs, (values, [p, q]) => {
        const weights = compositeWeights(p, q)
        expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 12)
        const viaWeights = weightedAverage(values, weights)
        compositeAverage(values, p, q).forEach((value, i) => {
          if (value === null) expect(viaWeights[i]).toBeNull()
          else expect(viaWeights[i]!).toBeCloseTo(value, 6)
        })
      }),
    )
  })

  it('of an odd and an even order are refused', () => {
    expect(() => compositeAverage([1, 2, 3], 3, 4)).toThrow(/both be odd or both be even/)
  })
})

describe('weighted averages', () => {
  it('pass a cubic through Spencer and Henderson unchanged', () => {
    const cubic = Array.from({ length: 40 }, (_, i) => 2 + i - 0.3 * i ** 2 + 0.01 * i ** 3)
    for (const weights of [SPENCER, henderson(5), henderson(9), henderson(13), henderson(23)]) {
      weightedAverage(cubic, weights).forEach((value, i) => {
        if (value !== null) expect(value).toBeCloseTo(cubic[i]!, 8)
      })
    }
  })

  it('are undefined over a missing value, even under a weight of 0', () => {
    expect(weightedAverage([1, null, 3, 4, 5], [0, 1, 0])).toEqual([null, null, null, 4, null])
  })

  it.each([4, 3, 1, 7.5])('Henderson refuses %s terms', (length) => {
    expect(() => henderson(length)).toThrow(/at least 5/)
  })

  it.each([
    [[0.5, 0.5], /odd number/],
    [[0.2, 0.5, 0.3], /symmetric/],
    [[0.2, 0.5, 0.2], /sum to 0\.9/],
    [[NaN], /symmetric|sum/],
  ])('typed weights %j are refused', (weights, because) => {
    expect(() => requireWeights(weights)).toThrow(because)
  })

  it('typed weights within rounding of 1 are taken', () => {
    expect(() => requireWeights([1 / 3, 1 / 3, 1 / 3])).not.toThrow()
  })
})

describe('rolling figures', () => {
  it('look back only', () => {
    expect(trailingAverage([1, 3, 5, null, 7, 9], 2)).toEqual([null, 2, 4, null, null, 8])
    expect(rollingDeviation([2, 4, 6, null, 1, 1, 1], 3)).toEqual([
      null,
      null,
      2,
      null,
      null,
      null,
      0,
    ])
  })

  it('a spread of one value is refused', () => {
    expect(() => rollingDeviation([1, 2], 1)).toThrow(/at least 2/)
  })

  it('within a season run along its own years', () => {
    const values = [1, 10, 3, 20, 5, 30, 7]
    const every = (i: number) => i % 2
    expect(withinSeasonMean(values, every, 2, 'trailing')).toEqual([null, null, 2, 15, 4, 25, 6])
    expect(withinSeasonMean(values, every, 3, 'centred')).toEqual([
      null,
      null,
      3,
      20,
      5,
      null,
      null,
    ])
    // What comes once in a long year is a season of its own, and moves none of the others.
    const long = (i: number) => (i === 2 ? 2 : (i > 2 ? i - 1 : i) % 2)
    const withOne = [1, 10, 99, 3, 20, 5, 30]
    expect(withinSeasonMean(withOne, long, 2, 'trailing')).toEqual([null, null, null, 2, 15, 4, 25])
  })
})
