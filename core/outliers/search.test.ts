import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MODEL } from '../model'
import { median } from '../statistics/average'
import type { Value } from '../series/series'
import { countBeyond, firstLook, searchModel } from './search'

const SEASONS = 4
/** Few different values, so that many are alike, and gaps. */
const values = fc.array(fc.option(fc.integer({ min: 1, max: 12 }), { nil: null, freq: 6 }), {
  minLength: 24,
  maxLength: 60,
})
const searchedOf = (own: readonly Value[]) => ({
  values: own,
  seasonOf: own.map((_, i) => (i % SEASONS) + 1),
  order: SEASONS,
})

describe('a first look', () => {
  it.each(['additive', 'multiplicative'] as const)(
    'sets every value against the median of the others of its season, %s',
    (model) => {
      const { takeOut } = MODEL[model]
      fc.assert(
        fc.property(values, (own) => {
          const { level, usual } = firstLook(model, searchedOf(own)).seen
          const ratios = own.map((value, i) =>
            value === null || level[i] === null || (model === 'multiplicative' && level[i]! <= 0)
              ? null
              : takeOut(value, level[i]!),
          )
          usual.forEach((found, i) => {
            const others = ratios.filter(
              (ratio, k): ratio is number => ratio !== null && k !== i && (k - i) % SEASONS === 0,
            )
            expect(found).toBe(others.length < 3 ? null : median(others))
          })
        }),
      )
    },
  )
})

describe('the search', () => {
  it('ends, finds a quarter of the values at the most, and none twice', () => {
    fc.assert(
      fc.property(values, (own) => {
        const searched = searchedOf(own)
        const look = firstLook('additive', searched)
        const { found } = searchModel(look, searched)
        expect(found.length).toBeLessThanOrEqual(own.length / 4)
        expect(new Set(found).size).toBe(found.length)
        expect(found.length === 0).toBe(countBeyond(look) === 0)
      }),
    )
  })
})
