import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tQuantile } from '../statistics/distributions'
import { errorsBehind, halfWidths, limitsFrom, widthsOfLevels } from './pastErrors'

const upTo = (count: number) => Array.from({ length: count }, (_, i) => (i % 2 ? -1 : 1) * (i + 1))

describe('halfWidths', () => {
  it('is the ⌈(K + 1)·level⌉-th smallest error, whatever its sign', () => {
    // ⌈10 × 0.8⌉ = 8 of 9, and not 9, though 10 × 0.8 is a hair above 8 in doubles.
    expect(halfWidths([upTo(9)], 80, 1)[0]).toMatchObject({
      reach: 8,
      count: 9,
      origin: { how: 'rank', rank: 8 },
    })
    expect(halfWidths([upTo(36)], 80, 1)[0]!.reach).toBe(30)
  })

  it('is a t interval where there are too few errors for the rank', () => {
    // ⌈5 × 0.95⌉ = 5 of 4: mean square (1 + 4 + 9 + 16) / 4 = 7.5
    const [{ reach, origin }] = halfWidths([upTo(4)], 95, 1) as [never]
    expect(reach).toBeCloseTo(tQuantile(95, 4) * Math.sqrt(7.5) * Math.sqrt(1.25), 12)
    expect(origin).toMatchObject({ how: 'spread' })
  })

  it('never shrinks, grows with √(h/h′) where there are too few errors, and reaches back to the first', () => {
    const widths = halfWidths([[1], [3, -3, 3, -3, 3], [2, 2, 2, 2, 2], [9, 9, 9]], 50, 5)
    const reaches = widths.map(({ reach }) => reach)
    expect(reaches.slice(0, 3)).toEqual([3, 3, 3])
    expect(widths[2]!.origin).toEqual({ how: 'before', from: 2 })
    expect(reaches[3]).toBeCloseTo(3 * Math.sqrt(4 / 3), 12)
    expect(reaches[4]).toBeCloseTo(3 * Math.sqrt(5 / 3), 12)
  })

  it('is refused when no horizon has four errors', () => {
    expect(() => halfWidths([[1, 2, 3]], 80, 2)).toThrow('at least four earlier forecasts')
  })

  it('covers the errors that it was made of with the level or more, and grows with the level', () => {
    const errors = fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 20, maxLength: 80 })
    fc.assert(
      fc.property(errors, (own) => {
        const [narrow, wide] = [50, 80].map((level) => halfWidths([own], level, 1)[0]!.reach)
        const held = own.filter((e) => Math.abs(e) <= wide!).length
        expect(held / own.length).toBeGreaterThanOrEqual(0.8)
        expect(wide).toBeGreaterThanOrEqual(narrow!)
      }),
    )
  })
})

it('limits are a factor to either side of a forecast where errors are shares', () => {
  const widths = [{ reach: Math.log(2), count: 9, origin: { how: 'before', from: 1 } }] as const
  expect(limitsFrom([100], 'shares', widths).lower[0]).toBeCloseTo(50, 12)
  expect(limitsFrom([100], 'shares', widths).upper[0]).toBeCloseTo(200, 12)
  expect(limitsFrom([1], 'amounts', widths).lower[0]).toBeCloseTo(1 - Math.log(2), 12)
})

describe('the errors behind a limit', () => {
  const sizes = [upTo(9), [5, -5, 5, -5, 5], [9, 9, 9]]
  const errors = sizes.map((own) => own.map((error, i) => ({ origin: 40 + i, error })))
  const past = { errors, widths: widthsOfLevels(sizes, [80, 95], 3) }

  it('are those of its horizon, the smallest first, up to the one that makes it', () => {
    const behind = errorsBehind(past, 80, 1)!
    expect(behind.horizon).toBe(1)
    expect(behind.errors.map(({ error }) => Math.abs(error))).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9])
    expect(behind.errors[0]!.origin).toBe(40)
    expect(behind.origin).toEqual({ how: 'rank', rank: 8 })
    expect(past.widths['80']![0]!.reach).toBe(8)
  })

  it('are those of another horizon or level where the limit is', () => {
    expect(errorsBehind(past, 80, 2)!.horizon).toBe(1)
    expect(errorsBehind(past, 80, 3)!.horizon).toBe(1)
    expect(errorsBehind(past, 95, 1)!.origin.how).toBe('spread')
    expect(errorsBehind(past, 80, 9)).toBeNull()
    expect(errorsBehind(past, 50, 1)).toBeNull()
  })
})
