import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Refusal } from '../refusal'
import { equation } from '../trend/leastSquares/equation'
import { fitTrend, trendLine } from '../trend/leastSquares/fit'
import { regressionFigures } from './report'
import { mostInfluential } from './influence'
import { jarqueBera, testResiduals } from './residualTests'
import { residualWords } from './residualWords'
import { powersOfTime } from './design'
import { fitDesign } from './fitDesign'
import { TIME_CODE } from './timeVariable'
import { leastSquares } from './leastSquares'

function figuresOf(values: readonly (number | null)[]) {
  return regressionFigures(trendLine(values, 1).fit)
}

const LINE = { columns: powersOfTime(1, TIME_CODE), ofLog: false }

describe('leastSquares', () => {
  it('finds a plane exactly', () => {
    const a = [1, 2, 3, 4, 5, 6]
    const b = [2, 1, 4, 3, 7, 5]
    const y = a.map((value, i) => 10 + 2 * value - 3 * b[i]!)
    const fit = leastSquares(y, [
      { name: 'a', values: a },
      { name: 'b', values: b },
    ])
    expect(fit.coefficients[0]).toBeCloseTo(10, 10)
    expect(fit.coefficients[1]).toBeCloseTo(2, 10)
    expect(fit.coefficients[2]).toBeCloseTo(-3, 10)
    expect(fit.sse).toBe(0)
    expect(fit.residuals.every((residual) => residual === 0)).toBe(true)
  })

  it('is not shaken by a time code far from zero', () => {
    const values = [3, 5, 4, 8, 7, 11, 9, 12]
    const near = trendLine(values, 1)
    const far = trendLine(values, 1_000_001)
    expect(far.slope).toBeCloseTo(near.slope, 12)
    expect(far.at(1_000_004)).toBeCloseTo(near.at(4), 6)
    expect(far.fit.leverageAt(1_000_004)).toBeCloseTo(near.fit.leverageAt(4), 12)
  })

  it('leverages of the fitted points sum to the number of coefficients', () => {
    const t = [1, 2, 4, 7, 8, 12]
    const fit = leastSquares([3, 1, 4, 1, 5, 9], [{ name: 't', values: t }])
    expect(t.reduce((sum, x) => sum + fit.varianceOf([1, x]), 0)).toBeCloseTo(2, 12)
  })

  it('leaves residuals that sum to 0 and lie across every column', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 4, maxLength: 40 }),
        (y) => {
          const t = y.map((_, i) => i + 1)
          const { residuals } = leastSquares(y, [{ name: 't', values: t }])
          expect(residuals.reduce((sum, value) => sum + value, 0)).toBeCloseTo(0, 6)
          expect(residuals.reduce((sum, value, i) => sum + value * t[i]!, 0)).toBeCloseTo(0, 5)
        },
      ),
    )
  })

  it('refuses no more values than coefficients', () => {
    expect(() => trendLine([1, 2], 1)).toThrow(/at least 3 values; there are 2/)
    expect(() => trendLine([1, null, 2, null], 1)).toThrow(Refusal)
  })

  it('refuses a column that does not vary, and one that repeats another', () => {
    const y = [1, 2, 3, 5]
    const t = { name: 't', values: [1, 2, 3, 4] }
    expect(() => leastSquares(y, [{ name: 'flat', values: [7, 7, 7, 7] }])).toThrow(/flat/)
    expect(() => leastSquares(y, [t, { name: 'double', values: [3, 5, 7, 9] }])).toThrow(
      /double says nothing that t does not/,
    )
  })
})

describe('regressionFigures', () => {
  it('of a perfect line has no test to report', () => {
    const got = figuresOf([3, 5, 7, 9, 11])
    expect(got).toMatchObject({ r2: 1, s: 0, f: null, fp: null, aic: null, durbinWatson: null })
    expect(got.terms.map(({ t, p, standardError }) => [t, p, standardError])).toEqual([
      [null, null, 0],
      [null, null, 0],
    ])
  })

  it('of a constant series has no R²', () => {
    expect(figuresOf([5, 5, 5, 5]).r2).toBeNull()
  })

  it('has no AICc without the degrees of freedom for it', () => {
    expect(figuresOf([1, 3, 2, 5]).aicc).toBeNull()
    expect(figuresOf([1, 3, 2, 5, 4]).aicc).not.toBeNull()
  })

  it('takes neighbours in time for Durbin–Watson', () => {
    // Residuals of this gapped series: the pair across the gap is no pair.
    const values = [1, 3, null, 2, 6]
    const { residualsInTime: residuals } = trendLine(values, 1).fit
    const present = residuals.filter((value) => value !== null)
    const squares = present.reduce((sum, value) => sum + value * value, 0)
    const pairs = (residuals[1]! - residuals[0]!) ** 2 + (residuals[4]! - residuals[3]!) ** 2
    expect(figuresOf(values).durbinWatson).toBeCloseTo(pairs / squares, 12)
  })
})

describe('fitTrend', () => {
  it('fits the last periods of the axis, missing ones counted', () => {
    const trend = fitTrend([100, 1, 2, null, 4, 5], 11, { ...LINE, last: 5 })
    expect(trend.fit.from).toBe(12)
    expect(trend.fit.n).toBe(4)
    expect(trend.fit.coefficients[1]).toBeCloseTo(1, 12)
    expect(trend.at(16)).toBeCloseTo(5, 12)
  })

  it('fits all periods when asked for more than there are', () => {
    expect(fitTrend([1, 2, 4], 1, { ...LINE, last: 60 }).fit.from).toBe(1)
  })
})

describe('equation', () => {
  it('writes signs as signs', () => {
    const line = (constant: number, slope: number) =>
      equation('y', [
        { label: 'constant', estimate: constant },
        { label: 't', estimate: slope },
      ])
    expect(line(40.1, -0.107)).toBe('y = 40.1 − 0.107 × t')
    expect(line(-3, 12_345.6)).toBe('y = −3 + 12,346 × t')
  })
})

describe('powers of a time far from zero', () => {
  it('give the coefficients of a cubic in calendar years', () => {
    const years = { ...TIME_CODE, at: (t: number) => 1990 + t }
    const y = Array.from({ length: 40 }, (_, i) => {
      const x = 1991 + i - 2010
      return 5 + 3 * x - 0.2 * x ** 2 + 0.01 * x ** 3
    })
    const fit = fitDesign(y, 1, powersOfTime(3, years), 'trend')
    const [, , square, cube] = fit.coefficients
    expect(cube! / 0.01).toBeCloseTo(1, 10)
    expect(square! / (-0.2 - 3 * 0.01 * 2010)).toBeCloseTo(1, 10)
    expect(fit.at(20)).toBeCloseTo(5, 9)
  })

  it('have the leverage of the plain powers where these are no trouble', () => {
    const values = [3, 1, 4, 1, 5, 9, 2, 6]
    const fit = fitDesign(values, 1, powersOfTime(2, TIME_CODE), 'trend')
    const plain = leastSquares(values, [
      { name: 't', values: values.map((_, i) => i + 1) },
      { name: 't^2', values: values.map((_, i) => (i + 1) ** 2) },
    ])
    expect(fit.leverageAt(11)).toBeCloseTo(plain.varianceOf([1, 11, 121]), 9)
    fit.coefficients.forEach((own, j) => expect(own).toBeCloseTo(plain.coefficients[j]!, 9))
    expect(fit.varianceOf([0, 1, 0])).toBeCloseTo(plain.varianceOf([0, 1, 0]), 9)
  })
})

describe('what residuals say', () => {
  it('Jarque–Bera by hand', () => {
    const got = jarqueBera([-2, -1, 0, 1, 2])!
    expect(got).toMatchObject({ skewness: 0, kurtosis: 1.7 })
    expect(got.statistic).toBeCloseTo((5 / 6) * (1.3 ** 2 / 4), 12)
    expect(jarqueBera([3, 3, 3])).toBeNull()
  })

  it('says it in one sentence a test', () => {
    const wave = Array.from({ length: 60 }, (_, i) => Math.sin(i / 3))
    const fit = regressionFigures(trendLine(wave, 1).fit)
    const words = residualWords(fit, testResiduals(wave, 12, 2))
    expect(words).toHaveLength(4)
    expect(words[0]).toMatch(/^Neighbouring residuals are alike \(Durbin–Watson 0\.1/)
    expect(words[1]).toMatch(/^Over 12 lags the residuals still wave: season or trend is missing/)
  })

  it('a wave is told, a gap leaves nothing to compare', () => {
    const wave = Array.from({ length: 60 }, (_, i) => Math.sin(i / 3))
    expect(testResiduals(wave, 12, 2).ljungBox[0]!.p).toBeLessThan(1e-6)
    const gap = wave.map((value, i) => (i === 30 ? null : value))
    expect(testResiduals(gap, 12, 2)).toMatchObject({ ljungBox: [], autocorrelation: null })
    expect(testResiduals(gap, 12, 2).jarqueBera).not.toBeNull()
  })
})

describe('Cook’s distance', () => {
  it('by hand: the last of 1, 2, 3, 4, 15', () => {
    const fit = trendLine([1, 2, 3, 4, 15], 1).fit
    const [first, ...rest] = mostInfluential(fit, 3)
    // Line −4 + 3t: residuals 2, 0, −2, −4, 4; s² 40/3; leverage 0.6.
    expect(first!.t).toBe(5)
    expect(first!.leverage).toBeCloseTo(0.6, 12)
    expect(first!.cook).toBeCloseTo(((16 / (2 * (40 / 3))) * 0.6) / 0.16, 10)
    expect(rest).toEqual([])
  })

  it('is how far all fitted values move without the period', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 6, maxLength: 20 }),
        fc.integer({ min: 0, max: 5 }),
        (y, k) => {
          const all = trendLine(y, 1)
          const { sse, n, p } = all.fit
          fc.pre(sse > 1)
          const without = trendLine(
            y.map((value, i) => (i === k ? null : value)),
            1,
          )
          const moved = y.reduce((sum, _, i) => sum + (all.at(i + 1) - without.at(i + 1)) ** 2, 0)
          const cook = moved / (p * (sse / (n - p)))
          const told = mostInfluential(all.fit, n).find(({ t }) => t === k + 1)
          if (told) expect(told.cook).toBeCloseTo(cook, 6)
          else expect(cook).toBeLessThanOrEqual(4 / n + 1e-9)
        },
      ),
    )
  })
})
