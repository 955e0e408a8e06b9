import { describe, expect, it } from 'vitest'
import { randomFrom, type Random } from '../../../demo/random'
import { comesBack, shareAsLike } from './comesBack'

const LENGTH = 60
const SERIES = 200

/** Share of made series of four cycles that come back. */
function rate(make: (random: Random, n: number) => number[]): number {
  const random = randomFrom(11)
  const all = Array.from({ length: SERIES }, () =>
    comesBack(shareAsLike(make(random, 4 * LENGTH), LENGTH)),
  )
  return all.filter(Boolean).length / SERIES
}

describe('what comes back after a length', () => {
  it('is hardly ever said of noise, or of a level that wanders', () => {
    expect(rate((random, n) => Array.from({ length: n }, () => random.normal(1)))).toBeLessThan(
      0.06,
    )
    const walk = (random: Random, n: number) => {
      let level = 0
      return Array.from({ length: n }, () => (level = 0.97 * level + random.normal(1)))
    }
    expect(rate(walk)).toBeLessThan(0.08)
  })

  // What is smooth is nearly as alike a little beside its length: about half of such seasons cannot be told so.
  it('is found in noise of half its swing, about every second time', () => {
    const season = (random: Random, n: number) =>
      Array.from(
        { length: n },
        (_, i) => 2 * Math.sin((2 * Math.PI * i) / LENGTH) + random.normal(1),
      )
    expect(rate(season)).toBeGreaterThan(0.4)
  })

  it('cannot be told of fewer than two cycles', () => {
    expect(
      shareAsLike(
        Array.from({ length: 119 }, (_, i) => i % 60),
        60,
      ),
    ).toBeNull()
    expect(shareAsLike([null, null], 60)).toBeNull()
  })
})
