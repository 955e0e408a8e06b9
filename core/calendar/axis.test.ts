import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisOf } from './axis'
import { calendarOf, FREQUENCIES, hasTradingDays, seasonsOf, type Calendar } from './calendar'
import { dayOf, weekdayOf } from './civil'

const calendar = fc.constantFrom(
  ...FREQUENCIES.flatMap((frequency): Calendar[] =>
    (seasonsOf(frequency) ?? [7]).map((seasons) => calendarOf(frequency, { seasons })),
  ),
)
const begun = calendar.chain((own) =>
  fc
    .record({
      cycle: fc.integer({ min: 1, max: 3000 }),
      season: fc.integer({ min: 1, max: own.seasons }),
    })
    .map((start) => ({ calendar: own, start })),
)
const t = fc.integer({ min: -2000, max: 2000 })

describe('an axis', () => {
  it('begins with its first period at time code 1, and goes on into other years', () => {
    const axis = axisOf({ calendar: calendarOf('monthly'), start: { cycle: 2018, season: 9 } })
    expect(axis.codeAt(1)).toBe('2018-09')
    expect(axis.periodAt(5)).toEqual({ cycle: 2019, season: 1 })
    expect([axis.seasonOf(5), axis.yearOf(5), axis.label(5)]).toEqual([1, 2019, 'Jan 2019'])
    expect(axis.tOf({ cycle: 2018, season: 8 })).toBe(0)
    expect(axis.tOfCode('2019-Q1')).toBeNull()
  })

  it('knows a period by its code, before the first and behind the last alike', () => {
    fc.assert(
      fc.property(begun, t, (of, at) => {
        const axis = axisOf(of)
        expect(axis.tOfCode(axis.codeAt(at))).toBe(at)
        expect(axis.tOf(axis.periodAt(at))).toBe(at)
      }),
    )
  })

  it('has one period after another: the next season, or the first of the next year', () => {
    fc.assert(
      fc.property(begun, t, (of, at) => {
        const axis = axisOf(of)
        const [now, next] = [axis.periodAt(at), axis.periodAt(at + 1)]
        // The second of a season comes between it and the next, in long years alone.
        fc.pre(!now.again && !next.again)
        const isLast = now.season === of.calendar.seasons
        expect(next).toEqual(
          isLast
            ? { cycle: now.cycle + 1, season: 1 }
            : { cycle: now.cycle, season: now.season + 1 },
        )
      }),
    )
  })

  it('has days where they are known, each of them in one period', () => {
    fc.assert(
      fc.property(begun, t, (of, at) => {
        const axis = axisOf(of)
        const [now, next] = [axis.days(at), axis.days(at + 1)]
        const hasDays = !['seasons', 'hourly'].includes(of.calendar.frequency)
        expect(now !== null).toBe(hasDays)
        if (!now || !next) return
        // Trading days alone skip one or two at the end of a week.
        const skipped = hasTradingDays(of.calendar) && weekdayOf(next.first) === 0
        expect(next.first).toBe(now.last + 1 + (skipped ? 7 - of.calendar.seasons : 0))
      }),
    )
    const quarters = axisOf({
      calendar: calendarOf('quarterly'),
      start: { cycle: 2024, season: 1 },
    })
    expect(quarters.days(1)).toEqual({ first: dayOf(2024, 1, 1), last: dayOf(2024, 3, 31) })
  })
})
