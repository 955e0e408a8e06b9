import { describe, expect, it } from 'vitest'
import { phasesOf } from './phases'

/** Seeded noise, roughly normal with standard deviation 1. */
function noise(seed: number): () => number {
  let state = seed >>> 0
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
  return () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
}

describe('the trend in phases', () => {
  it('is one phase of a line', () => {
    const next = noise(3)
    const line = Array.from({ length: 96 }, (_, t) => 1000 + 2 * t + 5 * next())
    const phases = phasesOf(line, 12)
    expect(phases).toHaveLength(1)
    expect(phases[0]).toMatchObject({ from: 0, to: 95, direction: 'rises' })
    expect(phases[0]!.slope).toBeCloseTo(2, 1)
  })

  it('rises, stays and falls, each where it does', () => {
    const next = noise(5)
    const values = Array.from({ length: 120 }, (_, t) => {
      const level = t < 48 ? 3 * t : t < 84 ? 144 : 144 - 4 * (t - 84)
      return 1000 + level + 6 * next()
    })
    const phases = phasesOf(values, 12)
    expect(phases.map(({ direction }) => direction)).toEqual(['rises', 'level', 'falls'])
    expect(Math.abs(phases[0]!.to - 47)).toBeLessThanOrEqual(4)
    expect(Math.abs(phases[1]!.to - 83)).toBeLessThanOrEqual(4)
  })

  it('is level for noise, exact for a broken line, and passes over gaps', () => {
    const next = noise(7)
    expect(phasesOf(Array.from({ length: 60 }, next), 12)).toMatchObject([{ direction: 'level' }])
    const broken = Array.from({ length: 60 }, (_, t) => (t % 7 === 3 ? null : Math.min(t, 30)))
    expect(phasesOf(broken, 12)).toMatchObject([
      { from: 0, direction: 'rises' },
      { to: 59, direction: 'level' },
    ])
    expect(phasesOf([null, null], 12)).toEqual([])
    expect(phasesOf(Array<number>(40).fill(5), 4)).toMatchObject([
      { direction: 'level', middle: 5 },
    ])
  })

  it('takes no longer for a long series', () => {
    const next = noise(9)
    const long = Array.from({ length: 20_000 }, (_, t) => (t < 9000 ? t : 9000) / 100 + next())
    const phases = phasesOf(long, 12)
    expect(phases.map(({ direction }) => direction)).toEqual(['rises', 'level'])
    expect(Math.abs(phases[0]!.to - 9000)).toBeLessThan(300)
  })
})
