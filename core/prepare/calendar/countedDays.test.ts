import { describe, expect, it } from 'vitest'
import { axisOf } from '../../calendar/axis'
import { calendarOf } from '../../calendar/calendar'
import { calculate } from '../../calculate'
import type { Series } from '../../series/series'
import { seededNormals } from '../../statistics/random'
import { columnsOfTaken, type CalendarTaken } from './taken'
import { rowOf } from './columns'
import { countedDays } from './countedDays'
import { easterByYears } from './easterYears'
import type { CalendarDocument } from './options'

function taken(frequency: 'monthly' | 'quarterly', calendar: CalendarDocument): CalendarTaken {
  const normal = seededNormals(1, 200)
  const of = calendarOf(frequency)
  const series: Series = {
    ...{ name: 'Paint', unit: 'litres', calendar: of, start: { cycle: 2014, season: 1 } },
    values: Array.from({ length: 10 * of.seasons }, (_, i) => 1000 + i + normal()),
  }
  const { prepared } = calculate(series, { format: 'elvant-method/1', calendar })
  return prepared.takenOut!.calendar as CalendarTaken
}
const FAIR = {
  name: 'fair',
  dates: Array.from({ length: 12 }, (_, i) => `${2014 + i}-${i % 2 ? '03-29' : '05-01'}`),
  before: 2,
  after: 1,
}
const ALL: CalendarDocument = {
  tradingDay: 'six',
  length: 'leap-year',
  easter: 8,
  holidays: [FAIR],
}
const march2024 = (2024 - 2014) * 12 + 3

describe('the days of a month as an effect counts them', () => {
  const months = taken('monthly', ALL)

  it('stand under their weekdays', () => {
    const found = countedDays(months, 'calendar Saturday', march2024)!
    const [march] = found.months
    // March 2024 began on a Friday and ended on Easter Sunday.
    expect(march!.weeks[0]!.map((day) => day?.date ?? null)).toEqual([
      null,
      null,
      null,
      null,
      1,
      2,
      3,
    ])
    expect(march!.weekdays).toEqual([4, 4, 4, 4, 5, 5, 5])
    const counted = march!.weeks.flat().filter((day) => day !== null && day.counts !== 0)
    expect(counted.map((day) => [day!.date, day!.counts])).toEqual([
      ...[2, 9, 16, 23, 30].flatMap((date) => [
        [date, 1],
        [date + 1, -1],
      ]),
    ])
    expect(found.sum).toBe(0)
  })

  it('are the eight before Easter, and a day of two windows twice', () => {
    const dates = (row: string, t: number) =>
      countedDays(months, row, t)!
        .months.flatMap(({ weeks }) => weeks.flat())
        .flatMap((day) => (day && day.counts > 0 ? day.date : []))
    expect(dates('calendar easter8', march2024)).toEqual([23, 24, 25, 26, 27, 28, 29, 30])
    expect(dates('calendar leapYear', march2024 - 1)).toEqual([29])
    expect(dates('calendar leapYear', march2024)).toEqual([])
    expect(dates('calendar fair', march2024 + 1)).toEqual([29, 30])
    expect(countedDays(months, 'calendar', march2024)!.sum).toBe(0)
    expect(countedDays(months, 'value', march2024)).toBeNull()
  })

  it.each(['monthly', 'quarterly'] as const)(
    'come to the figure of the column, %s',
    (frequency) => {
      for (const tradingDay of ['six', 'one'] as const) {
        const own = taken(frequency, { ...ALL, tradingDay })
        const axis = axisOf(own.facts)
        for (const column of columnsOfTaken(own)) {
          // What a column is less the mean of its season is no count of days: weekdays alone are not centred.
          if (!/day/.test(column.name)) continue
          for (let t = 1; t <= own.facts.endT; t++) {
            const { sum, months: drawn } = countedDays(own, rowOf(column), t)!
            expect(sum).toBeCloseTo(column.at(t), 9)
            const { first, last } = axis.days(t)!
            const days = drawn.flatMap(({ weeks }) => weeks.flat()).filter((day) => day !== null)
            expect(days).toHaveLength(last - first + 1)
          }
        }
      }
    },
  )
})

describe('Easter by years', () => {
  it('tells how many of its days fall into March', () => {
    const { window, seasons, years } = easterByYears(taken('monthly', ALL))!
    expect([window, seasons]).toEqual([8, ['Mar', 'Apr']])
    const of = (year: number) =>
      years.find((one) => one.year === year)!.periods.map(({ days }) => days)
    expect([of(2014), of(2016), of(2021), of(2024)]).toEqual([
      [0, 8],
      [8, 0],
      [5, 3],
      [8, 0],
    ])
    expect(years.map(({ year }) => year)).toEqual(Array.from({ length: 11 }, (_, i) => 2014 + i))
    expect(easterByYears(taken('monthly', { tradingDay: 'six' }))).toBeNull()
  })
})
