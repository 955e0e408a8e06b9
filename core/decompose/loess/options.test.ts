import { describe, expect, it } from 'vitest'
import { Refusal } from '../../refusal'
import { completeDecomposition, type DecompositionDocument } from '../ways'
import type { LoessOptions } from './options'

const facts = { model: 'multiplicative', periods: 120, seasons: 12, frequency: 'monthly' } as const
const loess = (more: object = {}, of = facts as typeof facts | { periods: number }) =>
  completeDecomposition({ by: 'stl', ...more }, { ...facts, ...of }) as LoessOptions

describe('the defaults of a decomposition', () => {
  it('average', () => {
    expect(completeDecomposition({}, facts)).toEqual({
      by: 'ratio-to-moving-average',
      model: 'multiplicative',
      average: 'mean',
      adjust: true,
      exclude: [],
    })
  })

  it.each([
    [{}, { seasonalWindow: 13, trendWindow: 21, lowPassWindow: 13, inner: 1, outer: 15 }],
    [{ seasonalWindow: 7 }, { trendWindow: 23, lowPassWindow: 13 }],
    [{ seasonalWindow: 35 }, { trendWindow: 19 }],
    [{ seasonalWindow: 'periodic' }, { seasonalWindow: 'periodic', seasonalDegree: 0 }],
    [{ robust: false }, { robust: false, inner: 2, outer: 0 }],
    [
      { trendWindow: 41, trendDegree: 0 },
      { trendWindow: 41, trendDegree: 0 },
    ],
  ])('by loess: %j', (wish, filled) => {
    expect(loess(wish)).toMatchObject(filled)
  })

  it('are stated in full, so that the method as run says everything', () => {
    const first = loess()
    const { by: _, ...stated } = first
    expect(loess(stated)).toEqual(first)
  })
})

describe('what is refused', () => {
  it.each([
    [{ seasonalWindow: 8 }, 'seasonalWindow', /odd number of at least 7/],
    [{ seasonalWindow: 5 }, 'seasonalWindow', /odd number of at least 7/],
    [{ seasonalWindow: 101 }, 'seasonalWindow', /100 at the most\); .*"periodic"/],
    [{ trendWindow: 4 }, 'trendWindow', /odd number of at least 3/],
    [{ trendWindow: 1 }, 'trendWindow', /odd number of at least 3/],
    [{ trendWindow: 241 }, 'trendWindow', /240 at the most/],
    [{ lowPassWindow: 12 }, 'lowPassWindow', /odd number/],
    [
      { average: 'median' },
      'average',
      /belongs to a decomposition by averaged indices; this one is by robust loess/,
    ],
    [{ adjust: false }, 'adjust', /Take it out/],
    [{ order: 5 }, 'order', /belongs to a decomposition without a season/],
    [{ colour: 5 }, 'colour', /not a key/],
  ])('%j', (wish, key, words) => {
    try {
      loess(wish)
    } catch (error) {
      expect(error).toBeInstanceOf(Refusal)
      expect((error as Refusal).where).toBe(`decompose.${key}`)
      expect((error as Refusal).because).toMatch(words)
      return
    }
    throw new Error('It was not refused.')
  })

  it('windows of loess where the indices are averages', () => {
    const wish = { seasonalWindow: 13 } as DecompositionDocument
    expect(() => completeDecomposition(wish, facts)).toThrow(
      'seasonalWindow belongs to a decomposition by robust loess; this one is by averaged indices',
    )
  })

  it('outer passes that would do nothing, or outliers that would lose none', () => {
    expect(() => loess({ robust: false, outer: 3 })).toThrow(/believed alike, and 3 outer passes/)
    expect(() => loess({ outer: 0 })).toThrow(/lose weight in outer passes, and there are none/)
  })

  it('no default window: the shortest series has room for them', () => {
    expect(loess({}, { periods: 24 })).toMatchObject({ seasonalWindow: 'periodic' })
    expect(loess({}, { periods: 59 })).toMatchObject({ seasonalWindow: 'periodic' })
    expect(loess({}, { periods: 60 })).toMatchObject({ seasonalWindow: 13, trendWindow: 21 })
  })
})
