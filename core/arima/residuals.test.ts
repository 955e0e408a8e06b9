import { describe, expect, it } from 'vitest'
import { arimaResidualWords, lagsOfYear, loudestLag, testArimaResiduals, waves } from './residuals'

const order = { p: 1, d: 0, q: 1, P: 0, D: 0, Q: 1 }
const noise = (t: number) => Math.sin(t * t * 1.7) + Math.cos(t * t * 0.9)
const dull = Array.from({ length: 96 }, (_, t) => noise(t))
const waving = dull.map((one, t) => one + 1.5 * Math.cos((Math.PI * t) / 3))

describe('residuals of a model', () => {
  it('are tested over a year and over two, each coefficient taking a degree of freedom', () => {
    const { ljungBox } = testArimaResiduals(dull, order, lagsOfYear(12))
    expect(ljungBox.map(({ lag, df }) => [lag, df])).toEqual([
      [12, 9],
      [24, 21],
    ])
    expect(ljungBox.some(waves)).toBe(false)
    // Without any left there is no probability.
    const many = { p: 3, d: 0, q: 2, P: 0, D: 0, Q: 0 }
    expect(testArimaResiduals(dull, many, lagsOfYear(1)).ljungBox[0]).toMatchObject({
      ...{ lag: 4, df: -1, p: null },
    })
  })

  it('that wave say so, and at which of the lags that were asked', () => {
    const tests = testArimaResiduals(waving, order, 12)
    expect(tests.ljungBox.some(waves)).toBe(true)
    expect(loudestLag(tests, 4)).toBe(3)
    expect(arimaResidualWords(tests)[0]).toMatch(
      /^Over 12 lags the residuals still wave, most at lag \d+ \(Ljung–Box [\d.]+, 9 df, p < 0.0001\)\.$/,
    )
  })

  it('with a gap inside are told their shape alone, and none of nothing', () => {
    const gap = dull.with(40, null as never)
    const { ljungBox, autocorrelation } = testArimaResiduals(gap, order, 12)
    expect([ljungBox, autocorrelation]).toEqual([[], null])
    expect(arimaResidualWords(testArimaResiduals(gap, order, 12))).toHaveLength(1)
    expect(arimaResidualWords(testArimaResiduals([null, null], order, 12))).toEqual([])
  })
})
