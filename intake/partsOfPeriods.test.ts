import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, weekdayOf } from '../core/calendar/civil'
import { dayCode } from '../core/calendar/rhythms/days'
import { weeksIn } from '../core/calendar/rhythms/weeks'
import { lines, read, sales, seriesOf, taken, values } from './testing'

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const WRITTEN_WEEKDAYS = [
  WEEKDAYS,
  ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
  ['Mo', 'Di', 'Mi', 'Do', 'Fr', 'Sa', 'So'],
  ['lundi', 'mardi', 'mercredi', 'jeudi', 'vendredi', 'samedi', 'dimanche'],
]
const two = (count: number) => String(count).padStart(2, '0')
const upTo = <T>(count: number, each: (i: number) => T) =>
  Array.from({ length: count }, (_, i) => each(i))

/** Hours of a column, as they can be written. */
const HOURS: readonly [string, (hour: number) => string | number][] = [
  ['Hour', (hour) => hour],
  ['hour', (hour) => hour + 1],
  ['Time', (hour) => `${two(hour)}:00`],
  ['Uhrzeit', (hour) => `${hour}:00:00`],
  ['Hour of day', (hour) => `${hour % 12 || 12} ${hour < 12 ? 'am' : 'pm'}`],
]
const start = fc.integer({ min: dayOf(2018, 1, 1), max: dayOf(2024, 1, 1) })

describe('periods in two places', () => {
  it('hours beside days, in any spelling, with several series or one', () => {
    fc.assert(
      fc.property(
        start,
        fc.integer({ min: 3, max: 30 }),
        fc.constantFrom(...HOURS),
        fc.boolean(),
        (from, days, [heading, written], isTwo) => {
          const rows = upTo(days * 24, (i) => [
            dayCode(from + Math.floor(i / 24)),
            written(i % 24),
            sales(i),
            ...(isTwo ? [sales(i + 1)] : []),
          ])
          const file = lines([['Date', heading, 'Orders', ...(isTwo ? ['Calls'] : [])], ...rows])
          const found = seriesOf(file, { frequency: 'hourly' })
          expect(found.Orders).toEqual([`${dayCode(from)}T00`, ...values(days * 24)])
          if (isTwo) expect(found.Calls!.slice(1)).toEqual(values(days * 24 + 1).slice(1))
        },
      ),
      { numRuns: 40 },
    )
  })

  it('hours across, days down', () => {
    fc.assert(
      fc.property(
        start,
        fc.integer({ min: 3, max: 30 }),
        fc.constantFrom(...HOURS.slice(0, 4)),
        (from, days, [, written]) => {
          const file = lines([
            ['Date', ...upTo(24, written)],
            ...upTo(days, (d) => [dayCode(from + d), ...upTo(24, (h) => sales(24 * d + h))]),
          ])
          expect(seriesOf(file, { frequency: 'hourly' })).toEqual({
            Series: [`${dayCode(from)}T00`, ...values(24 * days)],
          })
        },
      ),
      { numRuns: 40 },
    )
  })

  it('days of the week across, weeks down by number, first day or last', () => {
    fc.assert(
      fc.property(
        start,
        fc.integer({ min: 4, max: 60 }),
        fc.constantFrom(...WRITTEN_WEEKDAYS),
        fc.constantFrom('first', 'last'),
        fc.constantFrom(0, 6),
        (near, weeks, names, dated, firstWeekday) => {
          const from = near - ((weekdayOf(near) - firstWeekday + 7) % 7)
          const order = upTo(7, (d) => names[(firstWeekday + d) % 7]!)
          const file = lines([
            ['Week', ...order],
            ...upTo(weeks, (w) => [
              dayCode(from + 7 * w + (dated === 'last' ? 6 : 0)),
              ...upTo(7, (d) => sales(7 * w + d)),
            ]),
          ])
          expect(seriesOf(file, { frequency: 'daily' })).toEqual({
            Series: [dayCode(from), ...values(7 * weeks)],
          })
        },
      ),
      { numRuns: 60 },
    )
    const numbered = lines([
      ['Week', ...WEEKDAYS],
      ...upTo(20, (w) => [`2021-W${two(w + 1)}`, ...upTo(7, (d) => sales(7 * w + d))]),
    ])
    expect(seriesOf(numbered, { frequency: 'daily' }).Series!.slice(0, 2)).toEqual([
      '2021-01-04',
      sales(0),
    ])
  })

  it('weeks down, years across, the 53rd where a year has one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2012, max: 2022 }),
        fc.integer({ min: 3, max: 6 }),
        fc.constantFrom(
          (week: number) => `W${two(week)}`,
          String,
          (week: number) => `KW ${week}`,
        ),
        (year, years, written) => {
          let count = 0
          const columns = upTo(years, (y) =>
            upTo(53, (w) => (w < weeksIn(year + y) ? sales(count++) : '')),
          )
          const file = lines([
            ['Week', ...upTo(years, (y) => year + y)],
            ...upTo(53, (w) => [written(w + 1), ...columns.map((own) => own[w]!)]),
          ])
          expect(seriesOf(file, { frequency: 'weekly' })).toEqual({
            Series: [`${year}-W01`, ...values(count)],
          })
        },
      ),
      { numRuns: 40 },
    )
  })

  it('may be series all the same, which is asked', () => {
    const file = lines([
      ['Week', ...WEEKDAYS],
      ...upTo(20, (w) => [`2021-W${two(w + 1)}`, ...upTo(7, (d) => sales(7 * w + d))]),
    ])
    expect(taken(file).parts).toBe('one')
    expect(Object.keys(seriesOf(file, { parts: 'apart', frequency: 'weekly' }))).toEqual(WEEKDAYS)
  })

  it('of several shops make a series each', () => {
    const rows = upTo(30 * 24, (i) => [
      ['North', dayCode(dayOf(2024, 1, 1) + Math.floor(i / 24)), i % 24, sales(i)],
      ['South', dayCode(dayOf(2024, 1, 1) + Math.floor(i / 24)), i % 24, sales(i + 3)],
    ]).flat()
    const found = seriesOf(lines([['Shop', 'Date', 'Hour', 'Orders'], ...rows]), {
      frequency: 'hourly',
    })
    expect(Object.keys(found)).toEqual(['North', 'South'])
    expect(found.North!.slice(1)).toEqual(values(720))
  })
})

describe('what only looks so', () => {
  it('a column of times with minutes, and few hours, are none', () => {
    const rows = upTo(40, (i) => [
      dayCode(dayOf(2024, 1, 1) + i),
      ['09:15', '12:30'][i % 2]!,
      sales(i),
    ])
    expect(
      read(lines([['Date', 'Time', 'Orders'], ...rows])).questions.map(({ id }) => id),
    ).not.toContain('parts')
  })
})
