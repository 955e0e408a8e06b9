import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  autocorrelation,
  autocorrelationLimit,
  partialAutocorrelation,
} from '../autocorrelation/autocorrelation'
import { ljungBox } from '../autocorrelation/ljungBox'
import { withoutGap } from '../autocorrelation/withoutGap'
import { leastSquares } from '../regression/leastSquares'
import { nestedResidualSquares } from '../regression/nestedFits'
import { detrend } from '../trend/detrend'
import { dickeyFuller } from './dickeyFuller'
import { difference } from './difference'
import { kpss } from './kpss'
import { testStationarity } from './stationarity'

const noise = (count: number) => Array.from({ length: count }, (_, i) => Math.sin(i * i * 1.7) * 10)
const walk = (count: number) => {
  let at = 0
  return noise(count).map((step) => (at += step))
}

describe('differences', () => {
  it('lose their first periods, and whatever touches a gap', () => {
    expect(difference([1, 4, 9, 16], 'second', 12)).toEqual([null, null, 2, 2])
    expect(difference([1, 4, null, 16, 20], 'first', 12)).toEqual([null, 3, null, null, 4])
    expect(difference([1, 2, 5, 7, 9], 'seasonal', 2)).toEqual([null, null, 4, 5, 4])
    expect(difference([1, 2, 5, 7, 9], 'seasonal-first', 2)).toEqual([null, null, null, 1, -1])
  })
})

describe('detrending', () => {
  it('takes a polynomial of its own degree out whole', () => {
    const cubic = Array.from({ length: 30 }, (_, t) => 5 + t - 0.2 * t ** 2 + 0.01 * t ** 3)
    for (const value of detrend(cubic, 'cubic').detrended) expect(value).toBeCloseTo(0, 8)
    expect(detrend(cubic, 'linear').detrended.some((value) => Math.abs(value!) > 1)).toBe(true)
  })

  it('by an exponential leaves factors, with a gap left a gap', () => {
    const { detrended, trend } = detrend([100, 110, null, 133.1, 146.41], 'exponential')
    expect(detrended.map((value) => value?.toFixed(9) ?? null)).toEqual([
      '1.000000000',
      '1.000000000',
      null,
      '1.000000000',
      '1.000000000',
    ])
    expect(trend[2]).toBeCloseTo(121, 9)
    expect(() => detrend([1, 2, 0, 4], 'exponential')).toThrow(/value 3 is 0/)
  })
})

describe('autocorrelation', () => {
  it('by hand', () => {
    // Departures −1.5, −0.5, 0.5, 1.5: 1.25 of 5 at lag 1, −1.5 of 5 at lag 2.
    expect(autocorrelation([1, 2, 3, 4], 9)).toEqual([0.25, -0.3, -0.45])
    expect(autocorrelation([3, 3, 3], 2)).toBeNull()
    expect(autocorrelationLimit(100)).toBeCloseTo(0.196, 12)
  })

  it('lies within −1 and 1, and does not change with the unit or the level', () => {
    const any = fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 4, maxLength: 30 })
    fc.assert(
      fc.property(any, (values) => {
        const r = autocorrelation(values, 5)
        const moved = autocorrelation(
          values.map((value) => 3 * value + 7),
          5,
        )
        r?.forEach((value, i) => {
          expect(Math.abs(value)).toBeLessThanOrEqual(1)
          expect(moved![i]).toBeCloseTo(value, 9)
        })
      }),
    )
  })

  it('the partial of a first-order memory ends after lag 1', () => {
    const partial = partialAutocorrelation([0.6, 0.36, 0.216, 0.1296])
    expect(partial[0]).toBeCloseTo(0.6, 12)
    for (const value of partial.slice(1)) expect(value).toBeCloseTo(0, 12)
  })

  it('together is tested by Ljung and Box', () => {
    const { q, df } = ljungBox([0.25, -0.3], 4, 2)
    expect(q).toBeCloseTo(24 * (0.0625 / 3 + 0.09 / 2), 12)
    expect(df).toBe(2)
  })

  it('passes over undefined ends and refuses a gap inside', () => {
    expect(withoutGap([null, 1, 2, null], 'It')).toEqual({ values: [1, 2], skipped: 1 })
    expect(() => withoutGap([null, 1, null, 2], 'It')).toThrow(/value 3 of the 4 is missing/)
  })
})

describe('stationarity', () => {
  it('noise stays and a walk wanders, by both tests', () => {
    expect(testStationarity(noise(120)).verdict).toContain('it stays around one level')
    expect(testStationarity(walk(120)).verdict).toContain('does not stay')
  })

  it('cannot be tested on a short, constant or broken series, and says why', () => {
    expect(testStationarity([1, 5, 2]).dickeyFuller).toMatchObject({
      made: false,
      because: expect.stringContaining('at least 15 values; there are 3'),
    })
    expect(testStationarity(Array(30).fill(4)).verdict).toBeNull()
    expect(
      testStationarity(
        noise(40)
          .with(7, NaN)
          .map((v) => (v ? v : null)),
      ).kpss,
    ).toMatchObject({
      made: false,
      because: expect.stringContaining('value 8 of the 40 is missing'),
    })
  })

  it('the statistics do not change with the unit', () => {
    const series = walk(60)
    const thousand = series.map((value) => value * 1000)
    expect(dickeyFuller(thousand, 'trend').statistic).toBeCloseTo(
      dickeyFuller(series, 'trend').statistic,
      8,
    )
    expect(kpss(thousand, 'trend').statistic).toBeCloseTo(kpss(series, 'trend').statistic, 10)
  })

  it('nested regressions leave what each leaves alone', () => {
    const y = walk(40)
    const columns = [1, 2, 3].map((power) => ({
      name: `t^${power}`,
      values: y.map((_, i) => (i / 20 - 1) ** power),
    }))
    nestedResidualSquares(y, columns).forEach((sse, k) =>
      expect(sse).toBeCloseTo(leastSquares(y, columns.slice(0, k)).sse, 6),
    )
  })
})
