import { describe, expect, it } from 'vitest'
import { randomFrom, type Random } from '../../demo/random'
import { seasonLengths } from './seasonLength'

const SERIES = 200

function walk(random: Random, n: number, size = 1): number[] {
  let level = 0
  return Array.from({ length: n }, () => (level += random.normal(size)))
}

/** Share of made series of which a claim holds. */
function share(
  n: number,
  make: (random: Random, n: number) => number[],
  holds: (found: ReturnType<typeof seasonLengths>) => boolean,
): number {
  const random = randomFrom(n)
  const all = Array.from({ length: SERIES }, () => holds(seasonLengths(make(random, n))))
  return all.filter(Boolean).length / SERIES
}

describe('a length is proposed', () => {
  const nothing: Record<string, (random: Random, n: number) => number[]> = {
    noise: (random, n) => Array.from({ length: n }, () => random.normal(1)),
    'a walk': walk,
    'steady growth': (random, n) =>
      Array.from({ length: n }, (_, i) => 100 * 1.01 ** i * (1 + random.normal(0.03))),
    'a staircase': (random, n) => {
      let level = 0
      return Array.from({ length: n }, () => {
        if (random.uniform() < 0.05) level += random.normal(5)
        return level + random.normal(1)
      })
    },
  }
  it.each(Object.entries(nothing))('of %s hardly ever', (_, make) => {
    for (const n of [40, 120, 400]) {
      expect(share(n, make, (found) => found.length > 0)).toBeLessThanOrEqual(0.02)
    }
  })

  it.each([5, 7, 13])('where values come back after %i, also on a level that wanders', (m) => {
    const made = (random: Random, n: number) => {
      const pattern = Array.from({ length: m }, () => random.normal(2))
      return walk(random, n, 0.3).map((level, i) => level + pattern[i % m]! + random.normal(0.5))
    }
    for (const n of [120, 400]) {
      expect(share(n, made, ([first]) => first?.length === m)).toBeGreaterThanOrEqual(0.9)
    }
  })

  it('and a multiple of it is told as such', () => {
    const values = Array.from({ length: 100 }, (_, i) => [9, 3, 4, 1, 7, 2, 5][i % 7]! + 0.1 * i)
    const [first, ...others] = seasonLengths(values)
    expect(first).toMatchObject({ length: 7, multipleOf: null })
    expect(others.map(({ length, multipleOf }) => [length, multipleOf])).toEqual([
      [14, 7],
      [21, 7],
    ])
  })

  it('over gaps', () => {
    const values = Array.from({ length: 100 }, (_, i) =>
      i % 11 === 3 ? null : [9, 3, 4, 1, 7, 2, 5][i % 7]!,
    )
    expect(seasonLengths([null, ...values, null])[0]?.length).toBe(7)
  })

  it('of next to nothing never', () => {
    expect(seasonLengths([])).toEqual([])
    expect(seasonLengths([1, 2, 1, 2, 1, 2])).toEqual([])
    expect(seasonLengths(Array<number>(50).fill(3))).toEqual([])
  })
})
