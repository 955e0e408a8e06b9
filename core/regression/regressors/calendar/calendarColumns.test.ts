import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, weekdayOf } from '../../../calendar/civil'
import { axisOf } from '../../../calendar/axis'
import { calendarOf } from '../../../calendar/calendar'
import {
  divisionFactor,
  leapYear,
  lengthOfPeriod,
  tradingDays,
  weekdays,
  WEEKEND_DAY,
} from './days'
import { EASTER_COUNTS, easterAfter, easterColumn, easterOf, easterShare } from './easter'
import { holidayColumn, holidayMeans, holidayShare } from './ownHolidays'

/** A series whose first period is the first of a year. */
const axisFrom = (year: number, seasons: 12 | 4) =>
  axisOf({
    calendar: calendarOf(seasons === 12 ? 'monthly' : 'quarterly'),
    start: { cycle: year, season: 1 },
  })
const eachOf = (count: number) => Array.from({ length: count }, (_, i) => i + 1)

describe('trading days', () => {
  it('of February 2023, four whole weeks, are none', () => {
    const axis = axisFrom(2023, 12)
    expect(tradingDays(axis).map(({ at }) => at(2))).toEqual([0, 0, 0, 0, 0, 0])
    expect(weekdays(axis).at(2)).toBe(0)
  })

  it('of March 2023 count its three days beyond four weeks: Wednesday to Friday', () => {
    const axis = axisFrom(2023, 12)
    expect(tradingDays(axis).map(({ at }) => at(3))).toEqual([0, 0, 1, 1, 1, 0])
    expect(weekdays(axis).at(3)).toBe(3)
    expect(WEEKEND_DAY).toBe(-2.5)
  })
})

describe('the length of a period', () => {
  it('stands against its season’s mean over 400 years, at which all years come to nothing', () => {
    const axis = axisFrom(2000, 12)
    expect(lengthOfPeriod(axis).at(2)).toBeCloseTo(29 - 28.2425, 12)
    expect(leapYear(axis).at(2)).toBe(0.75)
    expect(leapYear(axis).at(14)).toBe(-0.25)
    expect(leapYear(axis).at(3)).toBe(0)
    expect(divisionFactor(axis, 14)).toBeCloseTo(28 / 28.2425, 12)
    const all = eachOf(400 * 12).reduce((sum, t) => sum + lengthOfPeriod(axis).at(t), 0)
    expect(Math.abs(all)).toBeLessThan(1e-9)
  })
})

describe('Easter', () => {
  it('falls where it fell', () => {
    const dates = [2000, 2008, 2011, 2016, 2019, 2024, 2025, 2038].map((year) => easterOf(year))
    expect(dates).toEqual([
      dayOf(2000, 4, 23),
      dayOf(2008, 3, 23),
      dayOf(2011, 4, 24),
      dayOf(2016, 3, 27),
      dayOf(2019, 4, 21),
      dayOf(2024, 3, 31),
      dayOf(2025, 4, 20),
      dayOf(2038, 4, 25),
    ])
  })

  it('is a Sunday of 35, whose counts are those of all years', () => {
    fc.assert(
      fc.property(fc.integer({ min: -10_000, max: 100_000 }), (year) => {
        expect(weekdayOf(easterOf(year))).toBe(6)
        expect(easterAfter(year)).toBeGreaterThanOrEqual(0)
        expect(easterAfter(year)).toBeLessThan(35)
      }),
    )
    expect(EASTER_COUNTS.reduce((sum, count) => sum + count, 0)).toBe(5_700_000)
  })

  it('is shared by March and April: 3 of the 8 days before 4 April 2021 are in April', () => {
    const axis = axisFrom(2021, 12)
    expect(easterShare(axis, 8, 3)).toBe(5 / 8)
    expect(easterShare(axis, 8, 4)).toBe(3 / 8)
    expect(easterShare(axis, 14, 3)).toBeCloseTo(11 / 14, 12)
  })

  it('comes to a whole every year, and to nothing less its means', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1600, max: 2400 }),
        fc.integer({ min: 1, max: 25 }),
        fc.constantFrom(4, 12),
        (year, window, seasons) => {
          const axis = axisFrom(year, seasons)
          const sum = (at: (t: number) => number) =>
            eachOf(seasons).reduce((all, t) => all + at(t), 0)
          expect(sum((t) => easterShare(axis, window, t))).toBeCloseTo(1, 12)
          expect(sum(easterColumn(axis, window).at)).toBeCloseTo(0, 12)
        },
      ),
    )
  })
})

describe('holidays of one’s own', () => {
  const fair = { name: 'fair', dates: [dayOf(2021, 5, 1), dayOf(2022, 4, 29)], before: 1, after: 1 }

  it('are shared by the periods that their days fall into', () => {
    const axis = axisFrom(2021, 12)
    expect(holidayShare(axis, fair, 4)).toBeCloseTo(1 / 3, 12)
    expect(holidayShare(axis, fair, 5)).toBeCloseTo(2 / 3, 12)
    expect(holidayShare(axis, fair, 16)).toBe(1)
  })

  it('count once where a date is given twice, and for each date where windows overlap', () => {
    const axis = axisFrom(2021, 12)
    const twice = { ...fair, dates: [...fair.dates, ...fair.dates] }
    expect(holidayShare(axis, twice, 5)).toBeCloseTo(2 / 3, 12)
    const beside = { ...fair, dates: [dayOf(2021, 6, 10), dayOf(2021, 6, 11)] }
    expect(holidayShare(axis, beside, 6)).toBe(2)
  })

  it('come to nothing over the years of their means, into which a date from outside can reach', () => {
    const years = { first: 2021, last: 2022 }
    const { at } = holidayColumn(axisFrom(2021, 12), fair, years)
    expect(eachOf(24).reduce((sum, t) => sum + at(t), 0)).toBeCloseTo(0, 12)
    const newYear = { name: 'sale', dates: [dayOf(2023, 1, 1)], before: 3, after: 0 }
    expect(holidayMeans(12, newYear, years)[11]).toBeCloseTo(3 / 4 / 2, 12)
  })
})
