import { describe, expect, it } from 'vitest'
import type { ArimaFigures } from './model'
import { differencesText } from './words'
import { differencesWords, halfLife, halfLifeWords, termsOfArima } from './readings'

/** As much of a model as is spoken of. */
function model(own: Partial<ArimaFigures>): ArimaFigures {
  return {
    ...{ order: { p: 0, d: 1, q: 1, P: 0, D: 1, Q: 1 }, constant: 'none', names: [], beta: [] },
    ...{ coefficients: { ar: [], ma: [-0.4], sar: [], sma: [-0.7] }, errors: null },
    ...own,
  } as ArimaFigures
}
const reads = (own: Partial<ArimaFigures>) =>
  termsOfArima(model(own), 12, 'month').map(({ name, reads: says }) => `${name}: ${says}`)

describe('a coefficient in words', () => {
  it('says what of a surprise, or of a departure, is kept', () => {
    expect(reads({})).toEqual([
      "MA 1: 60% of last month's surprise stays in the level",
      "MA 12: 30% of last year's surprise stays in the season",
    ])
    const order = { p: 1, d: 0, q: 1, P: 0, D: 0, Q: 0 }
    const coefficients = { ar: [0.62], ma: [0.25], sar: [], sma: [] }
    expect(reads({ order, coefficients, constant: 'mean', names: ['mean'], beta: [80] })).toEqual([
      "AR 1: 62% of last month's departure is kept",
      "MA 1: 25% of last month's surprise comes again",
      'mean: ',
    ])
    expect(halfLife(model({ order, coefficients }))).toBeCloseTo(1.45, 2)
    expect(halfLifeWords(3.106, 'month')).toBe('A surprise is forgotten by half in 3.1 months.')
    expect(halfLife(model({}))).toBeNull()
  })

  it('says nothing of one of several, which mean nothing alone', () => {
    const order = { p: 2, d: 0, q: 0, P: 0, D: 0, Q: 0 }
    const coefficients = { ar: [0.5, 0.2], ma: [], sar: [], sma: [] }
    expect(reads({ order, coefficients })).toEqual(['AR 1: ', 'AR 2: '])
  })
})

it('how often values are differenced, with every figure that decided it', () => {
  const test = { d: 0, n: 108, lags: 4, statistic: 1.4761, critical: 0.463, rejected: true }
  const one = { seasonalWindow: 13, seasonStrength: 0.961, D: 1, d: 1, tests: [test] }
  expect(differencesWords(one)).toBe(
    'Strength of season 0.96: differenced by the year (above 0.64 it is). KPSS 1.476 above 0.463: 1 first difference.',
  )
  const short = { ...one, D: 0, d: 0, tests: [{ ...test, statistic: null, rejected: false }] }
  expect(differencesWords(short)).toBe(
    'Strength of season 0.96: not differenced by the year (above 0.64 it is, where enough years came). KPSS of a constant: no first differences.',
  )
})

it('the differences that are taken are named, the season first', () => {
  expect(differencesText({ d: 1, D: 1 }, 'sales', 'month')).toBe(
    'Differences by the year and by the month of sales',
  )
  expect(differencesText({ d: 2, D: 0 }, 'sales', 'quarter')).toBe(
    'Differences twice by the quarter of sales',
  )
  expect(differencesText({ d: 0, D: 0 }, 'sales', 'month')).toBe('No differences of sales')
})
