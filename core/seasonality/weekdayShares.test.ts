import { describe, expect, it } from 'vitest'
import { dayOf } from '../calendar/civil'
import { seededNormals } from '../statistics/random'
import { doWeekdaysDiffer, weekdayShares } from './weekdayShares'

const MONDAY = dayOf(2024, 1, 1)

/** Weeks of days, each of a weekday's factor times a level that may grow. */
function weeks(count: number, factors: readonly (number | null)[], spread = 0, seed = 1) {
  const normal = seededNormals(seed, count * 7)
  return Array.from({ length: count * 7 }, (_, i) => {
    const factor = factors[i % 7]
    return {
      day: MONDAY + i,
      value:
        factor === null || factor === undefined
          ? null
          : (100 + i) * factor * (1 + spread * normal()),
    }
  })
}
const EQUAL = [1, 1, 1, 1, 1, 1, null]

describe('the days of the week', () => {
  it('are read against the mean of the week around them', () => {
    const found = weekdayShares([
      ...Array.from({ length: 10 }, (_, w) => ({ day: MONDAY + 7 * w, value: 100 })),
      ...Array.from({ length: 10 }, (_, w) => ({ day: MONDAY + 7 * w + 4, value: 300 })),
    ])
    expect(found).toMatchObject({ weeks: 9, f: null })
    expect(found!.days.map((day) => day?.share ?? null)).toEqual([
      0.5,
      null,
      null,
      null,
      1.5,
      null,
      null,
    ])
    expect(found!.days[0]!.standardError).toBe(0)
  })

  it('come back within their limits, whatever the level does', () => {
    const factors = [0.94, 0.9, 0.95, 1.02, 1.21, 0.98, null]
    const found = weekdayShares(weeks(150, factors, 0.09))!
    expect(found.days[6]).toBeNull()
    for (const [i, day] of found.days.slice(0, 6).entries()) {
      expect(Math.abs(day!.share - factors[i]!)).toBeLessThan(3 * day!.standardError + 0.01)
    }
    expect(found.p).toBeLessThan(1e-6)
  })

  it('are left out beside one that is missing, which would make the others look better', () => {
    const values = weeks(20, EQUAL).filter(({ day }) => day !== MONDAY + 11)
    expect(weekdayShares(weeks(20, EQUAL))!.weeks).toBe(19)
    expect(weekdayShares(values)!.weeks).toBe(18)
    expect(weekdayShares(weeks(7, EQUAL))).toBeNull()
  })

  it.each([
    ['even', 0, 0],
    ['growing', 1, 0],
    ['on a walk', 0, 0.02],
  ])(
    'are said to differ by chance in no more than one of fifty series, %s',
    (_, growth, wander) => {
      const said = Array.from({ length: 400 }, (_unused, seed) => {
        const normal = seededNormals(seed + 1, 1000)
        let level = 100
        const days = Array.from({ length: 420 }, (_day, i) => {
          level *= 1 + wander * normal()
          const value = i % 7 === 6 ? null : (level + growth * i) * (1 + 0.1 * normal())
          return { day: MONDAY + i, value }
        })
        return doWeekdaysDiffer(weekdayShares(days)!)
      })
      expect(said.filter(Boolean).length / 400).toBeLessThan(0.02)
    },
  )

  it('are said to differ where one is a tenth above the others, in a year of them', () => {
    const said = Array.from({ length: 100 }, (_, seed) =>
      doWeekdaysDiffer(weekdayShares(weeks(52, [1, 1, 1, 1, 1.1, 1, null], 0.1, seed + 1))!),
    )
    expect(said.filter(Boolean).length).toBeGreaterThan(80)
  })
})
