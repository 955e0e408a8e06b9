import { describe, expect, it } from 'vitest'
import { seededUniform } from '../statistics/random'
import { trendLine } from './leastSquares/fit'
import { judgeFit, judgeLevel, sizeOf } from './judged'

/** Numbers around 0 that come again with the seed. */
function noiseOf(seed: number): () => number {
  const uniform = seededUniform(seed)
  return () => Array.from({ length: 12 }, uniform).reduce((sum, one) => sum + one, -6)
}
const months = (length: number, at: (t: number) => number) =>
  Array.from({ length }, (_, t) => at(t))

describe('a level that is judged', () => {
  it('of a line is one phase, of a turn two, neither wandering', () => {
    const noise = noiseOf(1)
    const line = judgeLevel(
      months(96, (t) => 1000 + 4 * t + 20 * noise()),
      12,
    )
    expect(line).toMatchObject({ wanders: false, evenGrowth: null })
    expect(line.phases.map(({ direction }) => direction)).toEqual(['rises'])
    const turn = judgeLevel(
      months(96, (t) => 1000 + 6 * Math.min(t, 96 - t) + 20 * noise()),
      12,
    )
    expect(turn.phases.map(({ direction }) => direction)).toEqual(['rises', 'falls'])
    expect(turn.lineLikeness).toBeLessThan(0.4)
    expect(turn.wanders).toBe(false)
  })

  it('of a walk wanders', () => {
    const noise = noiseOf(7)
    let level = 1000
    const walk = judgeLevel(
      months(120, () => (level += 12 * noise())),
      12,
    )
    expect(walk.wanders).toBe(true)
  })

  it('that steps stays at two heights, which are one phase and no wandering', () => {
    const noise = noiseOf(3)
    const step = judgeLevel(
      months(96, (t) => (t < 48 ? 1000 : 1250) + 15 * noise()),
      12,
    )
    expect(step.wanders).toBe(false)
    expect(step.phases.map(({ direction }) => direction)).toEqual(['level'])
    expect(step.pieces.map(({ middle }) => Math.round(middle / 50) * 50)).toEqual([1000, 1250])
    expect(step.pieces[1]!.from).toBe(48)
  })

  it('that grows by the same share for 40 years has not turned', () => {
    const noise = noiseOf(4)
    const grown = judgeLevel(
      months(480, (t) => 1000 * 1.035 ** (t / 12) * (1 + 0.01 * noise())),
      12,
    )
    expect(grown.phases).toHaveLength(1)
    expect((1 + grown.evenGrowth!) ** 12 - 1).toBeCloseTo(0.035, 3)
  })

  it('of nothing has nothing to tell', () => {
    expect(judgeLevel([1, null, 2], 12)).toMatchObject({ phases: [], wanders: false })
  })
})

describe('a trend that is judged', () => {
  const judged = (values: readonly number[]) => {
    const { fit } = trendLine(values, 1)
    return judgeFit(fit.residualsInTime, fit.p, 12, sizeOf(values))
  }

  it('fits under white noise, is swung around under noise that is alike', () => {
    const noise = noiseOf(5)
    expect(judged(months(96, (t) => 1000 + 4 * t + 20 * noise())).verdict).toBe('fits')
    let swing = 0
    const alike = months(96, (t) => 1000 + 4 * t + 20 * (swing = 0.5 * swing + noise()))
    expect(judged(alike).verdict).toBe('swings')
  })

  it('does not fit where the latest half year has left it, with how far', () => {
    const noise = noiseOf(6)
    const left = judged(months(96, (t) => 1000 + 4 * t + 10 * noise() + (t > 89 ? 60 : 0)))
    expect(left.verdict).toBe('does-not-fit')
    expect(left.offAtEnd).toBeGreaterThan(30)
  })

  it('fits where what it leaves matters to nobody, whatever its pattern', () => {
    expect(judged(months(96, (t) => 1000 + 4 * t + 0.2 * Math.sin(t / 8))).verdict).toBe('fits')
  })
})
