import { describe, expect, it } from 'vitest'
import { randomFrom, type Random } from '../../demo/random'
import { recentShift } from './recentShift'

/** How many of 400 series a change is told of. */
function told(
  seasons: number,
  periods: number,
  valueAt: (random: Random) => (t: number) => number,
) {
  let count = 0
  for (let seed = 1; seed <= 400; seed++) {
    const at = valueAt(randomFrom(seed))
    const values = Array.from({ length: periods }, (_, t) => at(t))
    if (recentShift(values, seasons)) count++
  }
  return count / 400
}

const walk = (step: number) => (random: Random) => {
  let level = 100
  return () => (level *= Math.exp(random.normal(step)))
}
const around = (noise: number, levelAt: (t: number) => number) => (random: Random) => (t: number) =>
  levelAt(t) * Math.exp(random.normal(noise))

describe('a level that changed lately', () => {
  it('is told with its period and its size', () => {
    const values = Array.from({ length: 120 }, (_, t) => (100 + t) * (t < 112 ? 1 : 0.6))
    expect(recentShift(values, 12)).toEqual({ at: 112, size: expect.closeTo(-0.4, 2) })
    const season = [0.5, 1, 1.5, 1]
    const quarters = Array.from({ length: 24 }, (_, t) => season[t % 4]! * (t < 18 ? 100 : 150))
    expect(recentShift(quarters, 4)).toEqual({ at: 18, size: expect.closeTo(0.5, 6) })
  })

  it('is told of what has not changed in few of many series', () => {
    const season = (t: number) => 1 + 0.4 * Math.sin((2 * Math.PI * t) / 12)
    for (const [seasons, periods] of [
      [12, 60],
      [12, 120],
      [4, 24],
      [4, 40],
    ] as const) {
      const toldOf = (valueAt: (random: Random) => (t: number) => number) =>
        told(seasons, periods, valueAt)
      expect(toldOf(around(0.2, () => 100))).toBeLessThanOrEqual(0.02)
      expect(toldOf(around(0.05, (t) => 100 * 1.01 ** t))).toBeLessThanOrEqual(0.01)
      expect(toldOf(walk(0.02))).toBeLessThanOrEqual(0.02)
      // A level that wanders by 5% a month has changed now and then.
      expect(toldOf(walk(0.05))).toBeLessThanOrEqual(0.06)
    }
    expect(
      told(
        12,
        120,
        around(0.03, (t) => 100 * season(1.02 * t)),
      ),
    ).toBeLessThanOrEqual(0.01)
    // The stairs were climbed before the last two years.
    expect(
      told(
        12,
        120,
        around(0.03, (t) => 100 + 40 * Math.floor(t / 30)),
      ),
    ).toBeLessThanOrEqual(0.01)
  })

  it('is missed of few that did change by two fifths', () => {
    for (const [from, share] of [
      [-8, 0.6],
      [-12, 1.4],
      [-18, 0.6],
    ] as const) {
      const changed = around(0.03, (t) => (t < 120 + from ? 100 : 100 * share))
      expect(told(12, 120, changed)).toBeGreaterThanOrEqual(0.95)
    }
  })

  it('is not looked for where values are not above 0, or too few', () => {
    expect(
      recentShift(
        Array.from({ length: 60 }, (_, t) => t % 5),
        12,
      ),
    ).toBeNull()
    expect(
      recentShift(
        Array.from({ length: 30 }, (_, t) => 100 + t),
        12,
      ),
    ).toBeNull()
    expect(
      recentShift(
        Array.from({ length: 30 }, (_, t) => 100 + t),
        1,
      ),
    ).toBeNull()
  })
})
