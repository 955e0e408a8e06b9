import { describe, expect, it } from 'vitest'
import { seededNormals } from '../statistics/random'
import { covarianceOfAlike, noSmaller, reachOfLikeness } from './alikeErrors'
import { fitDesign, type DesignFit } from './fitDesign'
import type { Value } from '../series/series'

const column = (name: string, at: (t: number) => number) => ({
  ...{ name, label: name, means: name },
  at,
})
const SALE = column('sale', (t) => (t % 17 < 3 ? 1 : 0))
const WEEK = column('week', (t) => (t % 7 === 0 ? 1 : 0))
/** Of the sale's coefficient, the second after the constant. */
const PLACE = 2

function fitted(values: readonly Value[]): DesignFit {
  return fitDesign(values, 5, [WEEK, SALE], 'regression')
}
const covarianceWithin = (fit: DesignFit, reach: number) =>
  covarianceOfAlike(
    { parts: [fit.partsInTime(PLACE)], residuals: fit.residualsInTime, df: fit.df },
    reach,
  )[0]![0]!

function noise(likeness: number, seed: number, n = 200): number[] {
  const next = seededNormals(seed, n)
  let error = next() / Math.sqrt(1 - likeness ** 2)
  return Array.from({ length: n }, () => (error = likeness * error + next()))
}

describe('the part that values take in a coefficient', () => {
  const values = noise(0, 3, 60).map((value, i) => (i === 20 ? null : value))
  const fit = fitted(values)
  const parts = fit.partsInTime(PLACE)
  it('gives it as their sum, and nothing to a value that is missing', () => {
    const sum = values.reduce<number>((all, value, i) => all + (value ?? 0) * parts[i]!, 0)
    expect(sum).toBeCloseTo(fit.coefficients[PLACE]!, 12)
    expect(parts[20]).toBe(0)
  })
  it('has squares that add up to its share of s²', () => {
    const squares = parts.reduce((all, part) => all + part ** 2, 0)
    expect(squares).toBeCloseTo(fit.varianceOf([0, 0, 1]), 12)
  })
  it('is the same of a column that stands alone', () => {
    const alone = fitDesign(values, 5, [SALE], 'regression')
    const sum = values.reduce<number>(
      (all, value, i) => all + (value ?? 0) * alone.partsInTime(1)[i]!,
      0,
    )
    expect(sum).toBeCloseTo(alone.coefficients[1]!, 12)
  })
})

describe('a covariance for errors that are alike', () => {
  it('is worked out by hand', () => {
    const alike = { parts: [[0.5, 0.5, 0, 0]], residuals: [1, 1, -1, -1], df: 1 }
    expect(covarianceOfAlike(alike, 0)).toEqual([[2]])
    // s² = 4, r(1) = ¼, weight ½: 4 × (½ + ½ × ¼ × 2 × ¼).
    expect(covarianceOfAlike(alike, 1)).toEqual([[2.25]])
    // Errors that go against each other leave less in their sum.
    const against = { parts: [[0.5, 0.5]], residuals: [1, -1], df: 1 }
    expect(covarianceOfAlike(against, 1)).toEqual([[0.75]])
  })
  it('counts over a gap the periods that lie in it', () => {
    const alike = { parts: [[0.5, 0, 0.5]], residuals: [1, null, -1], df: 1 }
    expect(covarianceOfAlike(alike, 1)).toEqual([[1]])
    // s² = 2, r(2) = −½, weight ⅓: 2 × (½ − ⅓ × ½ × 2 × ¼).
    expect(covarianceOfAlike(alike, 2)[0]![0]).toBeCloseTo(2 * (0.5 - 1 / 12), 12)
  })
  it('is within no reach s² times the share of the column', () => {
    const fit = fitted(noise(0.5, 4))
    const s2 = fit.sse / fit.df
    expect(covarianceWithin(fit, 0)).toBeCloseTo(s2 * fit.varianceOf([0, 0, 1]), 12)
  })
  it('is never let say less than independent errors, and keeps its correlations', () => {
    const found = noSmaller(
      [
        [1, 0.5],
        [0.5, 1],
      ],
      [
        [4, 0],
        [0, 0.25],
      ],
    )
    expect(found).toEqual([
      [4, 1],
      [1, 1],
    ])
  })
  it('is symmetric, and never below 0', () => {
    const fit = fitted(noise(-0.6, 8))
    const parts = [1, PLACE].map((place) => fit.partsInTime(place))
    const found = covarianceOfAlike(
      { parts, residuals: fit.residualsInTime, df: fit.df },
      reachOfLikeness(200),
    )
    expect(found[0]![1]).toBe(found[1]![0])
    expect(found[0]![0]! * found[1]![1]!).toBeGreaterThan(found[0]![1]! ** 2)
  })

  it.each([0, 0.7])(
    'says how an effect spreads over many series, noise alike by %s',
    (likeness) => {
      const runs = 300
      let [squares, told, independent] = [0, 0, 0]
      for (let seed = 1; seed <= runs; seed++) {
        const fit = fitted(noise(likeness, seed))
        squares += fit.coefficients[PLACE]! ** 2 / runs
        told += covarianceWithin(fit, reachOfLikeness(200)) / runs
        independent += ((fit.sse / fit.df) * fit.varianceOf([0, 0, 1])) / runs
      }
      // Within what 300 series and the taper of the weights leave open.
      expect(told / squares).toBeGreaterThan(0.75)
      expect(told / squares).toBeLessThan(1.25)
      // Days in a row: independent errors would say half of it.
      if (likeness > 0) expect(independent / squares).toBeLessThan(0.65)
    },
  )
})
