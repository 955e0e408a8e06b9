import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../calendar/calendar'
import type { Series, Value } from '../../series/series'
import { chooseDifferences } from './differences'

const noise = (t: number) => Math.sin(t * t * 1.7) + Math.cos(t * t * 0.9)
function series(values: readonly Value[]): Series {
  return {
    ...{ name: 'Paint', unit: 'litres', calendar: calendarOf('monthly') },
    ...{ start: { cycle: 2014, season: 1 }, values },
  }
}
const months = (value: (t: number) => Value, length = 120) =>
  series(Array.from({ length }, (_, t) => value(t)))
const wave = (t: number) => 100 * Math.cos((Math.PI * t) / 6)

describe('how often to difference', () => {
  it('is once by season where the season is strong, and never of noise', () => {
    expect(
      chooseDifferences(
        months((t) => 500 + wave(t) + noise(t)),
        [],
        true,
      ),
    ).toMatchObject({
      ...{ D: 1, d: 0, seasonalWindow: 13 },
    })
    const plain = chooseDifferences(months(noise), [], true)
    expect([plain.D, plain.d]).toEqual([0, 0])
    expect(plain.tests).toHaveLength(1)
  })

  it('is once for a line, whose level does not stay, and at most once beside a season', () => {
    expect(
      chooseDifferences(
        months((t) => 5 * t + noise(t)),
        [],
        true,
      ),
    ).toMatchObject({ D: 0, d: 1 })
    const grows = chooseDifferences(
      months((t) => t * t + wave(t) + noise(t)),
      [],
      true,
    )
    expect(grows).toMatchObject({ D: 1, d: 1 })
    expect(grows.tests).toHaveLength(1)
  })

  it('asks no season where none is allowed, or is too short for one', () => {
    const own = months((t) => 500 + wave(t) + noise(t))
    expect(chooseDifferences(own, [], false)).toMatchObject({ seasonalWindow: null, D: 0 })
    const short = { ...own, values: own.values.slice(0, 30) }
    expect(chooseDifferences(short, [], true)).toMatchObject({ seasonalWindow: 'periodic', D: 0 })
  })

  it('passes over gaps, and leaves a constant series as it is', () => {
    const gap = months((t) => (t % 17 === 5 ? null : 5 * t + noise(t)))
    expect(chooseDifferences(gap, [], true).tests[0]!.n).toBe(113)
    const still = chooseDifferences(
      months(() => 7),
      [],
      true,
    )
    expect(still).toMatchObject({ D: 0, d: 0 })
    expect(still.tests[0]!.statistic).toBeNull()
  })

  it('is of what columns leave', () => {
    const slope = Array.from({ length: 120 }, (_, t) => t)
    const line = months((t) => 5 * t + noise(t))
    const beside = [{ name: 'slope', values: slope, future: [] }]
    expect(chooseDifferences(line, beside, true).d).toBe(0)
  })
})
