import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarOf, type Frequency } from './calendar'
import { countPeriods, onePeriod, periodLabel, seasonLabel } from './labels'
import { addPeriods, periodsBetween } from './counting'
import { exampleCode, formatPeriod, parsePeriod } from './codes'
import { seasonColumn, seasonOrder, tableYear } from './tableYear'

const frequencies: Frequency[] = ['monthly', 'quarterly', 'half-yearly', 'yearly', 'seasons']
const calendars = fc.oneof(
  fc.constantFrom(...frequencies.slice(0, 4)).map((frequency) => calendarOf(frequency)),
  fc.integer({ min: 2, max: 53 }).map((seasons) => calendarOf('seasons', { seasons })),
)
const calendarWithPeriod = calendars.chain((calendar) =>
  fc.tuple(
    fc.constant(calendar),
    fc.record({
      cycle: fc.integer({ min: 1, max: 9999 }),
      season: fc.integer({ min: 1, max: calendar.seasons }),
    }),
  ),
)

describe('calendarOf', () => {
  it('knows the seasons of each frequency', () => {
    expect(frequencies.slice(0, 4).map((name) => calendarOf(name).seasons)).toEqual([12, 4, 2, 1])
    expect(calendarOf('seasons', { seasons: 7 }).seasons).toBe(7)
  })

  it.each([
    ['no number of seasons', {}],
    ['one season', { seasons: 1 }],
    ['half a season', { seasons: 6.5 }],
    ['too many', { seasons: 1001 }],
  ])('refuses %s', (_, options) => {
    expect(() => calendarOf('seasons', options)).toThrow(RangeError)
  })

  it('refuses a year that starts in a season it does not have', () => {
    expect(() => calendarOf('quarterly', { yearStart: 5 })).toThrow(/1 to 4/)
    expect(() => calendarOf('monthly', { yearStart: 0 })).toThrow(RangeError)
  })
})

describe('period arithmetic', () => {
  it('crosses years in both directions', () => {
    expect(addPeriods({ cycle: 2019, season: 11 }, 3, calendarOf('monthly'))).toEqual({
      cycle: 2020,
      season: 2,
    })
    expect(addPeriods({ cycle: 2020, season: 1 }, -1, calendarOf('quarterly'))).toEqual({
      cycle: 2019,
      season: 4,
    })
    expect(addPeriods({ cycle: 2020, season: 1 }, -12, calendarOf('monthly'))).toEqual({
      cycle: 2019,
      season: 1,
    })
  })

  it('counts back what it counted forward', () => {
    fc.assert(
      fc.property(
        calendarWithPeriod,
        fc.integer({ min: -3000, max: 3000 }),
        ([calendar, period], steps) => {
          const moved = addPeriods(period, steps, calendar)
          expect(moved.season).toBeGreaterThanOrEqual(1)
          expect(moved.season).toBeLessThanOrEqual(calendar.seasons)
          expect(periodsBetween(period, moved, calendar)).toBe(steps)
          expect(addPeriods(moved, -steps, calendar)).toEqual(period)
        },
      ),
    )
  })
})

describe('period codes', () => {
  it('are read back as they were written', () => {
    fc.assert(
      fc.property(calendarWithPeriod, ([calendar, period]) => {
        expect(parsePeriod(formatPeriod(period, calendar), calendar)).toEqual(period)
      }),
    )
  })

  it.each<[Frequency, string]>([
    ['monthly', '2019-13'],
    ['monthly', '2019-00'],
    ['monthly', '2019-3'],
    ['monthly', '2019-Q1'],
    ['quarterly', '2019-Q5'],
    ['quarterly', '2019-01'],
    ['half-yearly', '2019-H3'],
    ['yearly', '2019-01'],
    ['monthly', ' 2019-01'],
    ['monthly', ''],
  ])('%s refuses "%s"', (frequency, code) => {
    expect(parsePeriod(code, calendarOf(frequency))).toBeNull()
  })

  it('reads another cycle with or without the S', () => {
    const week = calendarOf('seasons', { seasons: 7 })
    expect(parsePeriod('12-S3', week)).toEqual({ cycle: 12, season: 3 })
    expect(parsePeriod('12-03', week)).toEqual({ cycle: 12, season: 3 })
    expect(parsePeriod('12-S8', week)).toBeNull()
  })

  it('shows an example that it can read', () => {
    for (const frequency of frequencies) {
      const calendar = calendarOf(frequency, frequency === 'seasons' ? { seasons: 5 } : {})
      expect(parsePeriod(exampleCode(calendar), calendar)).not.toBeNull()
    }
  })
})

describe('seasons with names', () => {
  const seasonNames = ['Winter', 'Spring', 'Summer', 'Autumn']
  it('are called by them, and there is one for each', () => {
    const calendar = calendarOf('quarterly', { seasonNames })
    expect(seasonLabel(3, calendar)).toBe('Summer')
    expect(periodLabel({ cycle: 2021, season: 1 }, calendar)).toBe('Winter 2021')
    expect(() => calendarOf('monthly', { seasonNames })).toThrow('need as many names')
  })

  it('years that are counted from the first are said so', () => {
    expect(periodLabel({ cycle: 1, season: 3 }, calendarOf('quarterly'))).toBe('Year 1 Q3')
    expect(periodLabel({ cycle: 12, season: 2 }, calendarOf('monthly'))).toBe('Year 12 Feb')
    expect(periodLabel({ cycle: 2, season: 1 }, calendarOf('yearly'))).toBe('Year 2')
  })
})

describe('labels', () => {
  it('are those of the trade', () => {
    const period = { cycle: 2024, season: 2 }
    const seven = calendarOf('seasons', { seasons: 7 })
    expect(periodLabel(period, calendarOf('monthly'))).toBe('Feb 2024')
    expect(periodLabel(period, calendarOf('quarterly'))).toBe('2024 Q2')
    expect(periodLabel(period, calendarOf('half-yearly'))).toBe('2024 H2')
    expect(periodLabel({ cycle: 2024, season: 1 }, calendarOf('yearly'))).toBe('2024')
    expect(periodLabel(period, seven)).toBe('2024, season 2')
    expect(seasonLabel(2, seven)).toBe('season 2')
  })

  it('count periods in words', () => {
    expect(countPeriods(1, calendarOf('monthly'))).toBe('1 month')
    expect(countPeriods(24, calendarOf('quarterly'))).toBe('24 quarters')
    expect(onePeriod(calendarOf('seasons', { seasons: 5 }))).toBe('period')
  })
})

describe('fiscal years', () => {
  const july = calendarOf('monthly', { yearStart: 7 })

  it('are named by the calendar year in which they end', () => {
    expect(tableYear({ cycle: 2018, season: 9 }, july)).toBe(2019)
    expect(tableYear({ cycle: 2019, season: 6 }, july)).toBe(2019)
    expect(tableYear({ cycle: 2019, season: 7 }, july)).toBe(2020)
    expect(tableYear({ cycle: 2019, season: 12 }, calendarOf('monthly'))).toBe(2019)
  })

  it('lay their seasons out from their first', () => {
    expect(seasonOrder(july)).toEqual([7, 8, 9, 10, 11, 12, 1, 2, 3, 4, 5, 6])
    expect(seasonOrder(july).map((season) => seasonColumn(season, july))).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11,
    ])
  })
})
