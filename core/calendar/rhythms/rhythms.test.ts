import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisOf } from '../axis'
import { calendarOf } from '../calendar'
import { dayOf, weekdayOf, type Day } from '../civil'
import { parsePeriod } from '../codes'
import { cycleLabel, seasonLabel } from '../labels'
import { tableColumn, tableColumns } from '../tableYear'

const WEEKS = calendarOf('weekly')
const DAYS = calendarOf('daily')
const DAYS_OF_YEAR = calendarOf('daily', { seasons: 365 })
const HOURS = calendarOf('hourly')
const HOURS_OF_WEEK = calendarOf('hourly', { seasons: 168 })

function from(code: string, calendar = WEEKS) {
  return axisOf({ calendar, start: parsePeriod(code, calendar)! })
}

/** ISO 8601 by its definition: the week of a day is that of its Thursday, counted from 1 January of that year. */
function isoWeek(day: Day): string {
  const thursday = new Date((day - weekdayOf(day) + 3) * 86_400_000)
  const year = thursday.getUTCFullYear()
  const before = Math.floor((thursday.getTime() - Date.UTC(year, 0, 1)) / (7 * 86_400_000))
  return `${year}-W${String(before + 1).padStart(2, '0')}`
}

describe('trading days', () => {
  const SIX = calendarOf('daily', { seasons: 6 })

  it('go from Saturday to Monday, and know no Sunday', () => {
    const days = from('2024-01-05', SIX)
    expect([1, 2, 3].map(days.label)).toEqual([
      'Fri 5 Jan 2024',
      'Sat 6 Jan 2024',
      'Mon 8 Jan 2024',
    ])
    expect([1, 2, 3].map(days.seasonOf)).toEqual([5, 6, 1])
    expect(parsePeriod('2024-01-07', SIX)).toBeNull()
    expect(parsePeriod('2024-01-06', calendarOf('daily', { seasons: 5 }))).toBeNull()
  })

  it('are the days of the calendar with the others left out', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), fc.constantFrom(5, 6), (count, open) => {
        const all = from('1998-06-01', DAYS)
        const kept = Array.from({ length: count }, (_, i) => i + 1).filter(
          (t) => all.seasonOf(t) <= open,
        )
        const trading = from('1998-06-01', calendarOf('daily', { seasons: open }))
        expect(trading.codeAt(kept.length)).toBe(all.codeAt(kept.at(-1)!))
        expect(trading.tOfCode(all.codeAt(kept.at(-1)!))).toBe(kept.length)
      }),
    )
  })
})

describe('weeks', () => {
  it('go from Monday to Sunday, none skipped, 52 or 53 a year', () => {
    const weeks = from('2020-W51')
    expect([1, 2, 3, 4].map(weeks.codeAt)).toEqual(['2020-W51', '2020-W52', '2020-W53', '2021-W01'])
    expect([1, 2, 3, 4].map(weeks.seasonOf)).toEqual([51, 52, 52, 1])
    expect(weeks.days(3)).toEqual({ first: dayOf(2020, 12, 28), last: dayOf(2021, 1, 3) })
    expect(weeks.label(3)).toBe('2020 W53')
    expect(from('2021-W51').codeAt(3)).toBe('2022-W01')
  })

  it('are those of the standard', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (t) => {
        const weeks = from('1990-W01')
        const { first, last } = weeks.days(t)!
        expect([weekdayOf(first), last - first]).toEqual([0, 6])
        for (let day = first; day <= last; day++) expect(isoWeek(day)).toBe(weeks.codeAt(t))
      }),
    )
  })

  it('refuse a 53rd where a year has none', () => {
    expect(parsePeriod('2020-W53', WEEKS)).toEqual({ cycle: 2020, season: 52, again: true })
    for (const code of ['2021-W53', '2021-W00', '2021-W1', '2021-01']) {
      expect(parsePeriod(code, WEEKS)).toBeNull()
    }
  })

  it('have a column of their own for the 53rd', () => {
    expect(tableColumns(WEEKS)).toHaveLength(53)
    expect(tableColumns(WEEKS).at(-1)).toEqual({ season: 52, label: 'W53' })
    expect(tableColumn(parsePeriod('2020-W53', WEEKS)!, WEEKS)).toBe(52)
    expect(tableColumn(parsePeriod('2020-W52', WEEKS)!, WEEKS)).toBe(51)
  })
})

describe('days', () => {
  it('are seasons of their week, Monday first', () => {
    const days = from('2024-01-31', DAYS)
    expect([1, 2, 5, 6].map(days.seasonOf)).toEqual([3, 4, 7, 1])
    expect([1, 2].map(days.codeAt)).toEqual(['2024-01-31', '2024-02-01'])
    expect(days.label(1)).toBe('Wed 31 Jan 2024')
    expect(cycleLabel(days.periodAt(1).cycle, DAYS)).toBe('2024 W05')
    expect(days.tOfCode('2025-01-31')).toBe(367)
    expect(days.yearOf(336)).toBe(2024)
    expect(days.yearOf(337)).toBe(2025)
    expect([1, 7].map((season) => seasonLabel(season, DAYS))).toEqual(['Mon', 'Sun'])
  })

  it('are seasons of their year, 29 February counting as the 28th', () => {
    const leap = from('2024-02-27', DAYS_OF_YEAR)
    expect([1, 2, 3, 4].map(leap.seasonOf)).toEqual([58, 59, 59, 60])
    expect([2, 3, 4].map(leap.codeAt)).toEqual(['2024-02-28', '2024-02-29', '2024-03-01'])
    expect(from('2023-12-31', DAYS_OF_YEAR).seasonOf(1)).toBe(365)
    expect(from('2024-12-31', DAYS_OF_YEAR).seasonOf(1)).toBe(365)
    expect(seasonLabel(60, DAYS_OF_YEAR)).toBe('1 Mar')
    expect(tableColumns(DAYS_OF_YEAR).at(-1)).toEqual({ season: 59, label: '29 Feb' })
  })

  it.each(['2023-02-29', '2024-13-01', '2024-1-1', '2024-00-10', '2024-04-31', '2024-W05'])(
    'refuse %s',
    (code) => expect(parsePeriod(code, DAYS)).toBeNull(),
  )
})

describe('hours', () => {
  it('are seasons of their day', () => {
    const hours = from('2024-02-28T23', HOURS)
    expect([1, 2, 26].map(hours.codeAt)).toEqual([
      '2024-02-28T23',
      '2024-02-29T00',
      '2024-03-01T00',
    ])
    expect([1, 2].map(hours.seasonOf)).toEqual([24, 1])
    expect(hours.label(1)).toBe('28 Feb 2024, 23:00')
    expect(cycleLabel(hours.periodAt(2).cycle, HOURS)).toBe('29 Feb 2024')
    expect(hours.days(1)).toBeNull()
  })

  it('are seasons of their week, midnight before Monday first', () => {
    const hours = from('2024-01-28T23', HOURS_OF_WEEK)
    expect([1, 2].map(hours.seasonOf)).toEqual([168, 1])
    expect(seasonLabel(168, HOURS_OF_WEEK)).toBe('Sun 23:00')
    expect(cycleLabel(hours.periodAt(2).cycle, HOURS_OF_WEEK)).toBe('2024 W05')
  })

  it.each(['2024-01-31T24', '2024-01-31', '2024-02-30T06', '2024-01-31T6'])('refuse %s', (code) =>
    expect(parsePeriod(code, HOURS)).toBeNull(),
  )
})

describe('every rhythm', () => {
  it('counts back what it counted forward, and reads every code that it writes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(WEEKS, DAYS, DAYS_OF_YEAR, HOURS, HOURS_OF_WEEK),
        fc.integer({ min: -400_000, max: 400_000 }),
        (calendar, t) => {
          const axis = axisOf({ calendar, start: axisOf1970(calendar).periodAt(t) })
          expect(axis.tOf(axis.periodAt(1000))).toBe(1000)
          expect(axis.tOfCode(axis.codeAt(-17))).toBe(-17)
          expect(axis.seasonOf(1)).toBeGreaterThanOrEqual(1)
          expect(axis.seasonOf(1)).toBeLessThanOrEqual(calendar.seasons)
        },
      ),
    )
  })
})

function axisOf1970(calendar: typeof WEEKS) {
  const first = { weekly: '1970-W01', daily: '1970-01-01', hourly: '1970-01-01T00' }
  return from(first[calendar.frequency as keyof typeof first], calendar)
}
