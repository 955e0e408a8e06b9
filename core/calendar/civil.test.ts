import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, daysOf, daysShared, isLeapYear, weekdayCounts, weekdayOf, yearOf } from './civil'

const anyYear = fc.integer({ min: -50_000, max: 900_000 })

describe('days of the civil calendar', () => {
  it('are counted from 1 January 1970, a Thursday', () => {
    expect(dayOf(1970, 1, 1)).toBe(0)
    expect(weekdayOf(0)).toBe(3)
    expect(dayOf(1969, 12, 31)).toBe(-1)
    expect(weekdayOf(-1)).toBe(2)
    expect(dayOf(2000, 3, 1) - dayOf(2000, 2, 1)).toBe(29)
    // A year below 100 is none of the twentieth century.
    expect(dayOf(70, 1, 1)).toBeLessThan(dayOf(1000, 1, 1))
  })

  it('go on in every year that a series can have, 146,097 to 400 years', () => {
    fc.assert(
      fc.property(anyYear, fc.integer({ min: 1, max: 12 }), (year, month) => {
        const day = dayOf(year, month, 1)
        expect(yearOf(day)).toBe(year)
        expect(dayOf(year + 400, month, 1) - day).toBe(146_097)
        expect(weekdayOf(dayOf(year + 400, month, 1))).toBe(weekdayOf(day))
        expect(dayOf(year + 1, 1, 1) - dayOf(year, 1, 1)).toBe(isLeapYear(year) ? 366 : 365)
      }),
    )
  })

  it('of a month and a quarter are those between its first and its last', () => {
    expect(daysOf({ cycle: 2024, season: 2 }, 12)).toEqual({
      first: dayOf(2024, 2, 1),
      last: dayOf(2024, 2, 29),
    })
    expect(daysOf({ cycle: 2023, season: 4 }, 4)).toEqual({
      first: dayOf(2023, 10, 1),
      last: dayOf(2023, 12, 31),
    })
  })

  it('that two spans share are none where they do not meet', () => {
    expect(daysShared({ first: 1, last: 5 }, { first: 4, last: 9 })).toBe(2)
    expect(daysShared({ first: 1, last: 5 }, { first: 6, last: 9 })).toBe(0)
  })

  it('of the week are counted as they come', () => {
    // January 2019 began on a Tuesday and has 31 days.
    expect(weekdayCounts(daysOf({ cycle: 2019, season: 1 }, 12))).toEqual([4, 5, 5, 5, 4, 4, 4])
    fc.assert(
      fc.property(anyYear, fc.integer({ min: 1, max: 12 }), (year, season) => {
        const { first, last } = daysOf({ cycle: year, season }, 12)
        const one = [0, 0, 0, 0, 0, 0, 0]
        for (let day = first; day <= last; day++) one[weekdayOf(day)]!++
        expect(weekdayCounts({ first, last })).toEqual(one)
      }),
    )
  })
})
