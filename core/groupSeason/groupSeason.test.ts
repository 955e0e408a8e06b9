import { describe, expect, it } from 'vitest'
import { randomFrom } from '../../demo/random'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { METHOD_FORMAT, type MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import { groupIndices } from './groupIndices'
import { groupSeason } from './groupSeason'

const months = (name: string, values: readonly Value[]): Series => ({
  ...{ name, unit: 'pieces', calendar: calendarOf('monthly'), values },
  // They end in Dec 2025, whatever their length.
  start: { cycle: 2026 - Math.ceil(values.length / 12), season: 12 - ((values.length - 1) % 12) },
})
const swing = (t: number, phase = 0) => 1 + 0.35 * Math.sin((2 * Math.PI * (t - phase)) / 12)
/** Values of one in whose season the last period is December, whatever the length. */
function member(seed: number, { noise = 0.05, periods = 84, level = 500, phase = 0 } = {}): Series {
  const random = randomFrom(seed)
  const values = Array.from({ length: periods }, (_, i) => {
    const t = 600 - periods + i
    return Math.max(1, level * (1 + 0.002 * i) * swing(t, phase) * (1 + random.normal(noise)))
  })
  return months(`member ${seed}`, values)
}

describe('the season of a group', () => {
  it('is the mean of the indices of its members, the large ones the heavier', () => {
    const flat = (level: number, indices: readonly number[]) =>
      months(
        'flat',
        Array.from({ length: 60 }, (_, t) => level * indices[t % 12]!),
      )
    const half = (a: number, b: number) => Array.from({ length: 12 }, (_, i) => (i < 6 ? a : b))
    const { given, members } = groupIndices([
      ...[flat(300, half(0.8, 1.2)), flat(100, half(0.9, 1.1))],
      // What is short, or has a zero, says nothing.
      ...[flat(1000, half(0.1, 1.9)).values.slice(0, 30), [0, ...flat(9, half(1, 1)).values]].map(
        (values) => months('no', values),
      ),
    ])!
    expect(members).toBe(2)
    expect(given[0]).toBeCloseTo(0.825, 10)
    expect(given[11]).toBeCloseTo(1.175, 10)
    expect(given.reduce((sum, one) => sum + one, 0)).toBeCloseTo(12, 10)
    expect(groupIndices([months('short', [1, 2, 3])])).toBeNull()
  })

  it('knows nothing after a period, when it is asked of one', () => {
    const one = member(1)
    const later = { ...one, values: one.values.map((value, i) => (i < 60 ? value : 1e6)) }
    // Number of a month: 12 a year from the year 0 on, January 0.
    const then = 12 * 2023 + 11
    expect(groupIndices([later], then)!.given).toEqual(groupIndices([one], then)!.given)
    expect(groupIndices([later])!.given).not.toEqual(groupIndices([one])!.given)
  })

  it('is proposed to who is too short for one, with a method that can be run', () => {
    const all = [1, 2, 3].map((seed) => ({ series: member(seed) }))
    const short = member(9, { periods: 20 })
    const { rows, source } = groupSeason('Wood', [...all, { series: short }])
    expect(source).toBe('Wood: mean of 3 series, weighted by size')
    const row = rows[3]!
    expect(row).toMatchObject({ says: 'short', proposed: true, periods: 20 })
    const result = analyse(short, row.method!)
    const { forecast } = result.forecast
    // The forecast has the swing that twenty months alone cannot show.
    forecast.slice(0, 12).forEach((value, h) => {
      expect(value / (500 * swing(600 + h))).toBeGreaterThan(0.85)
      expect(value / (500 * swing(600 + h))).toBeLessThan(1.25)
    })
    expect(groupSeason('Wood', [...all, { series: short }]).rows[0]!.proposed).toBe(false)
  })

  it('is proposed to nobody who is short where the members have not one season', () => {
    const phases = [0, 3, 6, 9].map((phase, i) => ({ series: member(20 + i, { phase }) }))
    const { isCommon, says, rows } = groupSeason('Mixed', [
      ...phases,
      { series: member(9, { periods: 20 }) },
    ])
    expect(isCommon).toBe(false)
    expect(says).toMatch(/^The members have not one season: for 4 of 4 their own is nearer/)
    expect(rows.filter(({ proposed }) => proposed)).toEqual([])
  })

  it('leaves the rest of a method as it is', () => {
    const method: MethodDocument = {
      format: METHOD_FORMAT,
      decompose: { by: 'stl', robust: true },
      trend: { form: 'linear' as const },
    }
    const [row] = groupSeason('Wood', [{ series: member(1), method }, { series: member(2) }]).rows
    expect(row!.method).toMatchObject({ trend: { form: 'linear' } })
    expect(row!.method!.decompose).toMatchObject({ model: 'multiplicative' })
    expect(analyse(member(1), row!.method!).seasons).toHaveLength(12)
  })

  it('is refused where there is none in common', () => {
    const quarters: Series = { ...member(1), calendar: calendarOf('quarterly') }
    expect(() => groupSeason('Wood', [{ series: member(2) }, { series: quarters }])).toThrow(
      'member 1 has other periods than member 2: they have no season in common.',
    )
    expect(() => groupSeason('Wood', [{ series: member(2) }])).toThrow('A group takes two series.')
    const short = [1, 2].map((seed) => ({ series: member(seed, { periods: 30 }) }))
    expect(() => groupSeason('Wood', short)).toThrow(/^No series of Wood has 3 whole cycles/)
  })
})

describe('to whom the season of its group is proposed', () => {
  const LARGE = { level: 20_000, noise: 0.03 }
  const large = Array.from({ length: 6 }, (_, i) => member(1000 + i, LARGE))
  const share = (of: { noise: number; phase?: number }, says: string, count = 40) => {
    const others = Array.from({ length: count }, (_, i) => member(i + 1, { ...of, level: 200 }))
    const { rows } = groupSeason(
      'Wood',
      [...large, ...others].map((series) => ({ series })),
    )
    const own = rows.slice(large.length)
    return own.filter((row) => row.says === says).length / count
  }

  it('is many a noisy one with the same season, and hardly ever one that it is further for', () => {
    // Indices of seven years with 30% of noise cost 6% of what they are off by: a dozen origins show that in a third of them.
    expect(share({ noise: 0.3 }, 'nearer')).toBeGreaterThan(0.25)
    expect(share({ noise: 0.3 }, 'further')).toBeLessThan(0.05)
  })

  it('is not who has another season', () => {
    expect(share({ noise: 0.1, phase: 3 }, 'nearer')).toBe(0)
    expect(share({ noise: 0.1, phase: 3 }, 'further')).toBeGreaterThan(0.95)
    // Two weeks later in the year is another season too, where there is little noise to hide it.
    expect(share({ noise: 0.05, phase: 0.5 }, 'nearer')).toBeLessThan(0.05)
  })
})
