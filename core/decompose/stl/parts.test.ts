import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Value } from '../../series/series'
import { loess } from '../../smoothing/loess'
import { bisquareWeights } from './bisquare'
import { doubles } from './doubles'
import { lowPass } from './lowPass'
import { stl } from './stl'
import { stlParameters } from './windows'

/** Moving averages of m, m and 3 terms one after the other, as the definition has them. */
function averages(c: readonly number[], seasons: number): number[] {
  return [seasons, seasons, 3].reduce<readonly number[]>(
    (list, order) =>
      list
        .slice(0, list.length - order + 1)
        .map((_, i) => list.slice(i, i + order).reduce((sum, value) => sum + value, 0) / order),
    c,
  ) as number[]
}

describe('the low-pass filter', () => {
  it('is averages of m, m and 3 terms, then loess, for any season', () => {
    const cases = fc.record({
      seasons: fc.integer({ min: 2, max: 13 }),
      years: fc.integer({ min: 2, max: 6 }),
      extra: fc.integer({ min: 0, max: 5 }),
      window: fc.integer({ min: 1, max: 15 }).map((half) => 2 * half + 1),
      degree: fc.constantFrom(0 as const, 1 as const),
      seed: fc.integer({ min: 1, max: 500 }),
    })
    fc.assert(
      fc.property(cases, ({ seasons, years, extra, window, degree, seed }) => {
        const n = seasons * years + extra
        const c = Array.from({ length: n + 2 * seasons }, (_, i) => 10 * Math.sin(i * seed))
        const to = doubles(n)
        lowPass(n, seasons, window, degree).apply(c, to)
        const smooth = averages(c, seasons)
        const x = smooth.map((_, i) => i + 1)
        to.forEach((value, i) => {
          const want = loess({ x, y: smooth }, i + 1, window, degree).value!
          expect(Math.abs(value - want)).toBeLessThan(1e-8)
        })
      }),
      { numRuns: 40 },
    )
  })

  it('is not swayed by a huge value once its window has passed', () => {
    const c = Array.from({ length: 84 }, (_, i) => Math.cos(i / 3))
    const [plain, huge] = [doubles(60), doubles(60)]
    const filter = lowPass(60, 12, 3, 0)
    filter.apply(c, plain)
    filter.apply(c.with(0, 1e15), huge)
    expect(huge.slice(16)).toEqual(plain.slice(16))
  })
})

describe('bisquare weights', () => {
  const weigh = (remainder: number[], present = remainder.map(() => 1)) => {
    const size = remainder.filter((_, i) => present[i] === 1).map(Math.abs)
    const count = size.length
    while (size.length < remainder.length) size.push(0.5)
    const to = doubles(remainder.length)
    const h = bisquareWeights(size, count, remainder, Uint8Array.from(present), 100, to)
    return { h, to }
  }

  it('are (1 − (r/h)²)² with h six medians', () => {
    const { h, to } = weigh([1, -2, 3, -4, 30])
    expect(h).toBe(18)
    expect(to[1]).toBeCloseTo((1 - (2 / 18) ** 2) ** 2, 14)
    expect(to[4]).toBe(0)
  })

  it('take the mean of the two middle sizes of an even number', () => {
    expect(weigh([1, -2, 3, -4]).h).toBe(15)
  })

  it('count observed periods only, and give missing ones none', () => {
    const { h, to } = weigh([1, -2, 3, 1e9], [1, 1, 1, 0])
    expect([h, to[3]]).toEqual([12, 0])
  })

  it('are not formed for an exact fit', () => {
    expect(weigh([1e-9, -1e-9, 0, 0]).h).toBeNull()
  })

  it('find the median of any list', () => {
    const any = fc.array(fc.integer({ min: -40, max: 40 }), { minLength: 1, maxLength: 60 })
    fc.assert(
      fc.property(any, (list) => {
        const sizes = list.map(Math.abs).sort((a, b) => a - b)
        const half = sizes.length >> 1
        const median = sizes.length % 2 ? sizes[half]! : (sizes[half - 1]! + sizes[half]!) / 2
        expect(weigh(list).h ?? 0).toBeCloseTo(6 * median, 12)
      }),
    )
  })
})

describe('the decomposition itself', () => {
  const series = (n: number, m: number) =>
    Array.from(
      { length: n },
      (_, i) => 100 + i / 2 + 8 * Math.sin((2 * Math.PI * i) / m) + Math.sin(i * i),
    )

  it.each([
    [25, 7],
    [37, 12],
    [40, 3],
    [53, 4],
    [61, 5],
  ])('works for %i periods of %i seasons, whole years or not', (n, m) => {
    const y = series(n, m)
    const parts = stl(y, m, stlParameters({ seasonalWindow: 7, robust: true }, n, m))
    y.forEach((value, i) => {
      expect(parts.trend[i]! + parts.seasonal[i]! + parts.remainder[i]!).toBeCloseTo(value, 9)
      expect(parts.lastPass.smooth[i]! - parts.lastPass.level[i]!).toBeCloseTo(
        parts.seasonal[i]!,
        9,
      )
    })
  })

  it('puts a change of level into the trend alone', () => {
    const y = series(55, 5)
    const parameters = stlParameters({ seasonalWindow: 7, robust: true }, 55, 5)
    const own = stl(y, 5, parameters)
    const raised = stl(
      y.map((value) => value + 1000),
      5,
      parameters,
    )
    raised.seasonal.forEach((value, i) => expect(value).toBeCloseTo(own.seasonal[i]!, 8))
    raised.trend.forEach((value, i) => expect(value - 1000).toBeCloseTo(own.trend[i]!, 8))
  })

  it('bridges a gap longer than the window of the trend, and says so', () => {
    const y: Value[] = series(60, 4)
    for (let i = 30; i < 40; i++) y[i] = null
    const parameters = stlParameters({ seasonalWindow: 7, trendWindow: 5 }, 60, 4)
    const parts = stl(y, 4, parameters)
    expect(parts.hadEmptyWindow).toBe(true)
    expect(parts.trend.every(Number.isFinite)).toBe(true)
    // The nearest smoothed value, the earlier on a tie.
    expect(parts.trend[34]).toBe(parts.trend[30])
    expect(parts.trend[35]).toBe(parts.trend[39])
    expect(stl(series(60, 4), 4, parameters).hadEmptyWindow).toBe(false)
  })
})
