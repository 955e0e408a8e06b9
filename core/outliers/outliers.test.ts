import { describe, expect, it } from 'vitest'
import type { Model } from '../model'
import { seededUniform } from '../statistics/random'
import { levelToTheEnds } from './level'
import { outOfTheOrdinary } from './outliers'

/** Ten years of months with a season of ±30%, noise of 3%, and growth of 80%. */
function months(truth: Model, change: (t: number, value: number) => number = (_, value) => value) {
  let state = 42
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32 - 0.5
  }
  return Array.from({ length: 120 }, (_, t) => {
    const level = 1000 * (1 + (0.8 * t) / 120)
    const season = 0.3 * Math.cos((2 * Math.PI * t) / 12)
    const noise = 0.03 * (uniform() + uniform() + uniform())
    const value =
      truth === 'additive' ? level + 1400 * (season + noise) : level * (1 + season) * (1 + noise)
    return change(t, value)
  })
}
const seasonOf = Array.from({ length: 120 }, (_, t) => (t % 12) + 1)
const search = (values: readonly (number | null)[], model: Model = 'multiplicative') =>
  outOfTheOrdinary({ values, seasonOf, order: 12 }, model, 6)

describe('the level', () => {
  it('goes on to both ends with its last steps', () => {
    const line = Array.from({ length: 40 }, (_, t) => 5 + 2 * t)
    levelToTheEnds(line, 12).forEach((value, t) => expect(value).toBeCloseTo(5 + 2 * t, 9))
    expect(levelToTheEnds([1, 2, 3], 12)).toEqual([null, null, null])
  })
})

describe('outliers', () => {
  it.each(['additive', 'multiplicative'] as const)('are none in a clean %s series', (truth) => {
    const found = search(months(truth))
    expect(found.outliers).toEqual([])
    expect(found.step).toBeNull()
    expect(found.replaced).toEqual(months(truth))
  })

  it('are named with their size, one by one, to the very ends', () => {
    const freaks = new Map([
      [20, 2],
      [66, 0.5],
      [67, 0.55],
      [118, 1.6],
    ])
    const spoilt = months('multiplicative', (t, value) => value * (freaks.get(t) ?? 1))
    const { outliers, replaced } = search(spoilt)
    expect(outliers.map(({ at }) => at)).toEqual([20, 66, 67, 118])
    for (const { at, size, expected } of outliers) {
      expect(size).toBeCloseTo(freaks.get(at)! - 1, 0)
      expect(Math.abs(size - (freaks.get(at)! - 1))).toBeLessThan(0.2)
      expect(Math.abs(expected / (spoilt[at]! / freaks.get(at)!) - 1)).toBeLessThan(0.15)
    }
    const clean = months('multiplicative')
    replaced.forEach((value, t) => expect(Math.abs(value! / clean[t]! - 1)).toBeLessThan(0.15))
  })

  it('are found beside gaps and in series that are not above 0', () => {
    const spoilt = months('additive', (t, value) => (t === 50 ? value + 900 : value - 1500))
    const gaps = spoilt.map((value, t) => (t === 80 ? null : value))
    expect(search(gaps, 'additive').outliers.map(({ at }) => at)).toEqual([50])
  })

  it('of an exact series are none, whatever rounding leaves', () => {
    const exact = Array.from({ length: 120 }, (_, t) => 100 + t + 10 * (t % 12))
    expect(search(exact, 'additive').outliers).toEqual([])
  })
})

describe('a step of the level', () => {
  it('is found where it is, and its neighbours are no outliers', () => {
    const { step, outliers } = search(months('multiplicative', (t, y) => (t < 70 ? y : y * 1.25)))
    expect(Math.abs(step!.at - 70)).toBeLessThanOrEqual(2)
    expect(step!.size).toBeGreaterThan(0.05)
    expect(outliers).toEqual([])
  })
})

describe('a stretch of bad months, of series without a step', () => {
  /** Years with noise of a share, whose level is what it is made. */
  function made(
    seed: number,
    noise: number,
    level: (t: number) => number,
    { seasons, count } = { seasons: 12, count: 120 },
  ): number[] {
    const uniform = seededUniform(seed)
    const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
    return Array.from({ length: count }, (_, t) => {
      const season = 1 + 0.3 * Math.cos((2 * Math.PI * t) / seasons)
      return 1000 * (1 + (0.3 * t) / count) * season * level(t) * (1 + noise * normal())
    })
  }
  const TRIES = 60
  const share = (noise: number, level: (seed: number) => (t: number) => number) =>
    Array.from({ length: TRIES }, (_, i) => search(made(i + 1, noise, level(i + 1)))).filter(
      ({ step }) => step !== null,
    ).length / TRIES

  it.each([
    [0.01, 2],
    [0.01, 3],
    [0.02, 3],
  ])('is no step, under noise of %s, of %i months', (noise, months) => {
    const flood = (seed: number) => (t: number) => {
      const from = 20 + ((seed * 7) % 80)
      return t >= from && t < from + months ? 0.75 : 1
    }
    expect(share(noise, flood)).toBeLessThan(0.04)
  })

  it('is none of quarters either, of which two are half a year', () => {
    const quarters = (seed: number, level: (t: number) => number) => {
      const values = made(seed, 0.01, level, { seasons: 4, count: 48 })
      return outOfTheOrdinary({ values, seasonOf: ofQuarters, order: 4 }, 'multiplicative', 2).step
    }
    const ofQuarters = Array.from({ length: 48 }, (_, t) => (t % 4) + 1)
    const told = (level: (seed: number) => (t: number) => number) =>
      Array.from({ length: TRIES }, (_, i) => quarters(i + 1, level(i + 1))).filter(
        (step) => step !== null,
      ).length / TRIES
    const flood = (seed: number) => (t: number) => {
      const from = 10 + ((seed * 7) % 26)
      return t === from || t === from + 1 ? 0.75 : 1
    }
    expect(told(flood)).toBeLessThan(0.04)
  })

  it('a step of an eighth that stays is told all the same', () => {
    expect(share(0.01, () => (t) => (t < 60 ? 1 : 1.125))).toBeGreaterThan(0.95)
  })
})
