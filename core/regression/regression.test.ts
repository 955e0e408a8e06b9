import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import reference from '../../reference/regression.json'
import { Refusal } from '../refusal'
import { equation } from '../trend/equation'
import { fitTrend, trendLine } from '../trend/fit'
import { TREND_FORMS } from '../trend/forms'
import { figuresOf as figuresOfTrend } from '../trend/report'
import { leastSquares } from './leastSquares'

function figuresOf(values: readonly (number | null)[]) {
  return figuresOfTrend(trendLine(values, 1))
}

describe('the report of a straight line against the reference', () => {
  const { input, expect: want } = reference.cases.find(
    ({ id }) => id === 'reg-linear',
  )! as unknown as {
    input: { y: number[] }
    expect: Record<string, number> & {
      coefficients: {
        estimate: number
        se: number
        t: number
        p: number
        low: number
        high: number
      }[]
      fitted: number[]
    }
  }
  const got = figuresOf(input.y)
  const close = (value: number | null, wanted: number, relative = 1e-9) =>
    expect(Math.abs(value! - wanted)).toBeLessThanOrEqual(relative * Math.abs(wanted))

  it.each([0, 1])('coefficient %i', (i) => {
    const wanted = want.coefficients[i]!
    close(got.terms[i]!.estimate, wanted.estimate)
    close(got.terms[i]!.standardError, wanted.se)
    close(got.terms[i]!.t, wanted.t)
    close(got.terms[i]!.p, wanted.p, 1e-7)
    close(got.terms[i]!.lower, wanted.low)
    close(got.terms[i]!.upper, wanted.high)
  })

  it.each([
    ['r2', 'r2'],
    ['adjustedR2', 'adjR2'],
    ['s', 's'],
    ['f', 'f'],
    ['aic', 'aic'],
    ['aicc', 'aicc'],
    ['bic', 'bic'],
    ['durbinWatson', 'durbinWatson'],
  ] as const)('%s', (mine, theirs) => close(got[mine], want[theirs]!))

  it('F has its probability in the tail', () => close(got.fp, want.fP!, 1e-7))
})

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
    expect(far.fit.leverage([1_000_004])).toBeCloseTo(near.fit.leverage([4]), 12)
  })

  it('leverages of the fitted points sum to the number of coefficients', () => {
    const t = [1, 2, 4, 7, 8, 12]
    const fit = leastSquares([3, 1, 4, 1, 5, 9], [{ name: 't', values: t }])
    expect(t.reduce((sum, x) => sum + fit.leverage([x]), 0)).toBeCloseTo(2, 12)
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
      /double says nothing that t/,
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
    const { residuals } = trendLine(values, 1)
    const present = residuals.filter((value) => value !== null)
    const squares = present.reduce((sum, value) => sum + value * value, 0)
    const pairs = (residuals[1]! - residuals[0]!) ** 2 + (residuals[4]! - residuals[3]!) ** 2
    expect(figuresOf(values).durbinWatson).toBeCloseTo(pairs / squares, 12)
  })
})

describe('fitTrend', () => {
  it('fits the last periods of the axis, missing ones counted', () => {
    const trend = fitTrend([100, 1, 2, null, 4, 5], 11, TREND_FORMS.linear.columns, 5)
    expect(trend.from).toBe(12)
    expect(trend.fit.n).toBe(4)
    expect(trend.fit.coefficients[1]).toBeCloseTo(1, 12)
    expect(trend.at(16)).toBeCloseTo(5, 12)
  })

  it('fits all periods when asked for more than there are', () => {
    expect(fitTrend([1, 2, 4], 1, TREND_FORMS.linear.columns, 60).from).toBe(1)
  })
})

describe('equation', () => {
  it('writes signs as signs', () => {
    const line = (constant: number, slope: number) =>
      equation('y', [
        { name: 'constant', estimate: constant },
        { name: 't', estimate: slope },
      ])
    expect(line(40.1, -0.107)).toBe('y = 40.1 − 0.107 × t')
    expect(line(-3, 12_345.6)).toBe('y = −3 + 12,346 × t')
  })
})
