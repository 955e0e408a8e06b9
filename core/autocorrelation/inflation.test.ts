import { describe, expect, it } from 'vitest'
import { seededUniform } from '../statistics/random'
import { mean, median } from '../statistics/average'
import { inflation } from './inflation'

const MOST = 0.8

/** Noise whose neighbours are alike by r, from a seed. */
function noise(count: number, r: number, seed: number): number[] {
  const uniform = seededUniform(seed)
  // The sum of twelve is normal enough, with a variance of 1.
  const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
  let last = normal()
  return Array.from({ length: count }, () => {
    last = r * last + Math.sqrt(1 - r * r) * normal()
    return last
  })
}

/** What the least-squares line through each of so many equal stretches leaves. */
function withoutLines(values: readonly number[], stretches: number): number[] {
  const length = values.length / stretches
  return values.map((value, i) => {
    const from = Math.floor(i / length) * length
    const own = values.slice(from, from + length)
    const middle = (length - 1) / 2
    const level = mean(own)!
    const spread = own.reduce((sum, _, k) => sum + (k - middle) ** 2, 0)
    const slope = own.reduce((sum, y, k) => sum + (k - middle) * (y - level), 0) / spread
    return value - level - slope * (i - from - middle)
  })
}

describe('by how much fewer independent values there are', () => {
  it('is 1 of neighbours that are not alike, or alternate, and of nothing', () => {
    expect(inflation([1, -1, 1, -1], MOST, 0)).toBe(1)
    expect(inflation([0, 0, 0], MOST, 0)).toBe(1)
    expect(inflation([], MOST, 0)).toBe(1)
  })

  it('is (1 + r) ÷ (1 − r), over what is there, up to a limit', () => {
    // Products 1·1 + 0 + 1·1 of squares 4: r = 0.5.
    expect(inflation([1, 1, null, 1, 1], MOST, 0)).toBeCloseTo(3, 12)
    expect(inflation(Array(50).fill(1), MOST, 0)).toBeCloseTo(9, 12)
  })

  it('is the most there can be where lines took half of the values', () => {
    expect(inflation([0.1, -0.2, 0.1], MOST, 2)).toBeCloseTo(9, 12)
  })

  it.each([
    [0, 1],
    [0.3, 1.3 / 0.7],
    [0.5, 3],
  ])('of noise alike by %s is not hidden by the lines that were fitted to it', (r, truth) => {
    const found = (fitted: number) =>
      median(
        Array.from({ length: 300 }, (_, seed) =>
          inflation(withoutLines(noise(120, r, seed + 1), 6), MOST, fitted),
        ),
      )!
    expect(Math.abs(found(12) / truth - 1)).toBeLessThan(0.1)
    // Without what the lines took it would be a third too small.
    if (r === 0.5) expect(found(0)).toBeLessThan(0.7 * truth)
  })
})
