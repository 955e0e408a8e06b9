import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mean, median, trimmedMean } from './average'
import { tQuantile, twoSidedT, upperF } from './distributions'
import { histogram } from './histogram'
import { standardDeviation, standardErrorOfMean } from './spread'

describe('averages', () => {
  it('are undefined over nothing', () => {
    expect([mean([]), median([]), trimmedMean([])]).toEqual([null, null, null])
  })

  it('take the middle of an odd and of an even number of values', () => {
    expect(median([9, 1, 5])).toBe(5)
    expect(median([9, 1, 5, 7])).toBe(6)
  })

  it('drop one value at each end, but only of three or more', () => {
    expect(trimmedMean([1, 5, 6, 30])).toBe(5.5)
    expect(trimmedMean([30, 1, 5])).toBe(5)
    expect(trimmedMean([1, 5])).toBe(3)
  })

  it('do not change what they are given', () => {
    const values = [3, 1, 2]
    median(values)
    trimmedMean(values)
    expect(values).toEqual([3, 1, 2])
  })
})

describe('spread', () => {
  it('uses the divisor n − 1 and needs two values', () => {
    expect(standardDeviation([2, 4, 6])).toBe(2)
    expect(standardDeviation([2])).toBeNull()
    expect(standardErrorOfMean([2, 4, 6, 8])).toBeCloseTo(Math.sqrt(20 / 3) / 2, 12)
  })

  it('is not shaken by a large common level', () => {
    expect(standardDeviation([1e9 + 1, 1e9 + 2, 1e9 + 3])).toBe(1)
  })
})

describe('distributions', () => {
  it('agree with the closed form of t for even degrees of freedom, worked to 40 digits', () => {
    expect(tQuantile(95, 10)).toBeCloseTo(2.228138851986275, 12)
    expect(tQuantile(80, 11)).toBeCloseTo(1.3634303180205407, 12)
    expect(twoSidedT(2.228138851986275, 10)).toBeCloseTo(0.05, 12)
  })

  it('keep the far tail, where 1 − CDF would be 0', () => {
    expect(twoSidedT(60, 100)).toBeGreaterThan(0)
    expect(twoSidedT(60, 100)).toBeLessThan(1e-70)
  })

  it('F with one numerator degree is t squared', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 30, noNaN: true }),
        fc.integer({ min: 1, max: 200 }),
        (t, df) => {
          const [viaT, viaF] = [twoSidedT(t, df), upperF(t * t, 1, df)]
          expect(Math.abs(viaT - viaF)).toBeLessThanOrEqual(1e-9 * viaT)
        },
      ),
    )
  })

  it('quantile and tail are each other’s inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 99.9, noNaN: true }),
        fc.integer({ min: 1, max: 500 }),
        (level, df) => {
          expect(twoSidedT(tQuantile(level, df), df)).toBeCloseTo(1 - level / 100, 10)
        },
      ),
    )
  })
})

describe('histogram', () => {
  it('counts every value once, the furthest in the last bin', () => {
    expect(histogram([-2, -1, 1, 2], 4)).toEqual({ from: -2, width: 1, counts: [1, 1, 0, 2] })
    expect(histogram([0, 0, 0])).toBeNull()
  })
})
