import { describe, expect, it } from 'vitest'
import { calculate } from '../../calculate'
import { calendarOf, type Calendar } from '../../calendar/calendar'
import { axisOf } from '../../calendar/axis'
import { dayOf } from '../../calendar/civil'
import { dayCode } from '../../calendar/rhythms/days'
import { periodOfDay } from '../../calendar/periodOfDay'
import { evaluate } from '../../column/kinds/kinds'
import { ledgerOf } from '../../ledger/ledger'
import { analyse } from '../../analyse'
import type { MethodDocument } from '../../method'
import { Refusal } from '../../refusal'
import { holidayColumn } from '../../regression/regressors/calendar/ownHolidays'
import type { Series } from '../../series/series'
import { seededNormals } from '../../statistics/random'
import type { CalendarDocument } from './options'
import { calendarTakenIn, readEffects } from './reading'
import { effectWorking, jointWorking, reachWorking } from './working'
import { calendarPieces } from './words'

const FROM = dayOf(2021, 1, 4)
/** Promotions in every year, at other times of it each, and one in the year that is forecast. */
const DATES = [2021, 2022, 2023, 2024].flatMap((year, i) =>
  [40, 131, 222, 313].map((day) => dayOf(year, 1, 1) + day + 17 * i),
)
const SALE = { name: 'sale', dates: DATES.map(dayCode), before: 0, after: 2 }
const GAIN = 0.18

/** Takings that grow with a week and a year in them, and sell more on the three days of a promotion. */
function takings(calendar: Calendar, periods: number, seed: number): Series {
  const next = seededNormals(seed, periods)
  const start = periodOfDay(FROM, calendar)
  const axis = axisOf({ calendar, start })
  const values = Array.from({ length: periods }, (_, i) => {
    const { first, last } = axis.days(i + 1)!
    let sum = 0
    for (let day = first; day <= last; day++) {
      const week = 0.3 * Math.sin((2 * Math.PI * (day % 7)) / 7)
      const year = 0.2 * Math.sin((2 * Math.PI * (day - FROM)) / 365.25)
      const isSale = DATES.some((date) => day >= date && day <= date + 2)
      sum += 900 * Math.exp(0.0002 * (day - FROM) + week + year + (isSale ? GAIN : 0))
    }
    return sum * Math.exp(0.05 * next())
  })
  return { name: 'Takings', unit: 'euros', calendar, start, values }
}

const by = (calendar: CalendarDocument, more: Partial<MethodDocument> = {}): MethodDocument => ({
  format: 'elvant-method/1',
  decompose: { model: 'multiplicative' },
  trend: { form: 'linear' },
  calendar,
  ...more,
})
const DAYS = calendarOf('daily')
const WEEKS = calendarOf('weekly')
const CASES = [
  ['days', DAYS, 1096],
  ['trading days alone', calendarOf('daily', { seasons: 6 }), 939],
  ['weeks', WEEKS, 156],
] as const

describe.each(CASES)('dates of a list, taken out of %s', (_, calendar, periods) => {
  it('are found as they were put in, and come back on the dates to come', () => {
    let told = 0
    const runs = 12
    for (let seed = 1; seed <= runs; seed++) {
      const series = takings(calendar, periods, seed)
      const { prepared, ahead, inside } = calculate(
        series,
        by({ holidays: [SALE] }, { forecast: { horizon: calendar === WEEKS ? 26 : 120 } }),
      )
      const taken = calendarTakenIn(prepared.takenOut)!
      const [read] = readEffects(taken)
      // In a week the three days are three of seven: each week gains as much of a week as they do of their days.
      const truth = calendar === WEEKS ? (3 * GAIN) / 7 : Math.expm1(GAIN)
      if (Math.abs(read!.estimate - truth) < 3 * read!.standardError) told++
      const lifted = ahead.forecast.filter((value, i) => value > 1.03 * inside!.forecast[i]!)
      expect(lifted.length).toBeGreaterThan(0)
      expect(lifted.length).toBeLessThan(20)
    }
    expect(told).toBeGreaterThanOrEqual(runs - 1)
  })

  it('are worked out in every cell', () => {
    const result = analyse(takings(calendar, periods, 3), by({ holidays: [SALE] }))
    const { columns, run } = ledgerOf(result)
    for (const column of columns.filter(({ name }) => /calendar/i.test(name))) {
      for (let t = run.firstT; t <= run.endT; t += 31) {
        const value = run.value(column.name, t)
        if (value !== null) expect(evaluate(column.arithmetic(t))).toBeCloseTo(value, 8)
      }
    }
  })
})

it('every figure of its panel is worked out, its limits for errors of days in a row that are alike', () => {
  const { prepared } = calculate(takings(DAYS, 1096, 5), by({ holidays: [SALE] }))
  const taken = calendarTakenIn(prepared.takenOut)!
  const [read] = readEffects(taken)
  const [group] = taken.groups
  const reach = reachWorking(taken, read!, 95)
  expect(reach.note).toMatch(/up to 43 periods apart are counted as alike/)
  for (const one of [effectWorking(taken, read!), reach, jointWorking(taken, group!)!]) {
    expect(evaluate(one.expression), one.title).toBeCloseTo(one.value, 9)
  }
  // Of one column: F is the square of the effect over its error.
  expect(group!.joint.f!).toBeCloseTo(taken.coefficients[0]! ** 2 / taken.covariance[0]![0]!, 9)
})

it('stands with ARIMA errors beside what independent ones say, which are not counted as alike there', () => {
  const takenBy = (more: Partial<CalendarDocument>) =>
    calendarTakenIn(
      calculate(takings(DAYS, 400, 5), by({ holidays: [SALE], ...more })).prepared.takenOut,
    )!
  const { arima, alike } = takenBy({ errors: 'arima', orders: [0, 1, 1] })
  const independent = takenBy({}).alike!.independent
  expect(alike).toBeNull()
  expect(arima!.independent.covariance[0]![0]).toBeCloseTo(independent[0]![0]!, 12)
})

it('a day is read by itself, however many are around each date', () => {
  const { prepared } = calculate(takings(DAYS, 1096, 5), by({ holidays: [SALE] }))
  const [read] = readEffects(calendarTakenIn(prepared.takenOut)!)
  expect(read!.name).toBe('a day of sale')
})

it('the sentence of days offers dates, and nothing that months alone differ by', () => {
  const word = (calendar: CalendarDocument | null) => {
    const pieces = calendarPieces(calendar, takings(DAYS, 400, 1))
    return pieces.find((piece) => typeof piece !== 'string')
  }
  expect(word(null)).toMatchObject({ text: 'holidays and events', ask: { choices: [{}] } })
  expect(word({ holidays: [SALE] })).toMatchObject({ text: 'sale' })
})

describe('is refused, with its place,', () => {
  const because = (series: Series, calendar: CalendarDocument) => {
    try {
      calculate(series, by(calendar))
      return null
    } catch (error) {
      if (error instanceof Refusal) return [error.where, error.because]
      throw error
    }
  }
  it('what months alone differ by', () => {
    const [where, words] = because(takings(DAYS, 1096, 1), { tradingDay: 'six' })!
    expect(where).toBe('calendar.tradingDay')
    expect(words).toMatch(/one of months and quarters.*; days do not/)
    expect(because(takings(WEEKS, 156, 1), { length: 'divide' })![1]).toMatch(/weeks do not/)
  })
  it('a span that is too short, and periods without days', () => {
    const [, words] = because(takings(DAYS, 300, 1), { holidays: [SALE] })!
    expect(words).toMatch(/needs 365 days; the span has 300/)
    const hours: Series = {
      ...{
        name: 'Orders',
        unit: '',
        calendar: calendarOf('hourly'),
        start: { cycle: 0, season: 1 },
      },
      values: Array.from({ length: 900 }, (_, i) => 10 + (i % 24) + ((i * 7919) % 13)),
    }
    expect(because(hours, { holidays: [SALE] })![1]).toMatch(/those of this series are none/)
  })
})

describe('the mean share of a season of days', () => {
  const meansOf = (calendar: Calendar, dates: readonly number[]) => {
    const start = periodOfDay(FROM, calendar)
    const axis = axisOf({ calendar, start })
    const holiday = { name: 'fair', dates, before: 0, after: 1 }
    const { at } = holidayColumn(axis, holiday, { first: 2021, last: 2021 })
    // On days without the fair its column is minus the mean of their season.
    return Array.from(
      { length: calendar.seasons },
      (_, i) => -at(axis.tOf(periodOfDay(FROM + i, calendar))),
    )
  }
  it('is counted over the days of whole years: of 2021 with 53 Fridays and 52 of any other day', () => {
    // Wednesday and Thursday, 9 and 10 June.
    const means = meansOf(DAYS, [dayOf(2021, 6, 9)])
    ;[0, 0, 0.5 / 52, 0.5 / 52, 0, 0, 0].forEach((mean, k) =>
      expect(means[k]).toBeCloseTo(mean, 12),
    )
  })
  it('has nothing of a day that is none of the series', () => {
    // Saturday and Sunday, 12 and 13 June; Sundays are closed.
    const means = meansOf(calendarOf('daily', { seasons: 6 }), [dayOf(2021, 6, 12)])
    ;[0, 0, 0, 0, 0, 0.5 / 52].forEach((mean, k) => expect(means[k]).toBeCloseTo(mean, 12))
  })
})
