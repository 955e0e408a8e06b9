import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisOf } from '../core/calendar/axis'
import { calendarOf } from '../core/calendar/calendar'
import { parsePeriod } from '../core/calendar/codes'
import { asked, lines, read, sales, seriesOf, taken, values } from './testing'

/** Codes of consecutive periods. */
function codes(frequency: 'weekly' | 'daily' | 'hourly', from: string, count: number): string[] {
  const calendar = calendarOf(frequency)
  const { codeAt } = axisOf({ calendar, start: parsePeriod(from, calendar)! })
  return Array.from({ length: count }, (_, i) => codeAt(i + 1))
}

const rows = (periods: readonly string[]) => periods.map((period, i) => [period, sales(i)])
const fileOf = (periods: readonly string[], heading = 'Sales') =>
  lines([['Date', heading], ...rows(periods)])

describe('days', () => {
  const days = codes('daily', '2023-12-20', 120)

  it('are gathered into months until told otherwise, and kept as days when asked', () => {
    expect(taken(fileOf(days)).frequency).toBe('monthly')
    expect(seriesOf(fileOf(days), { frequency: 'daily' })).toEqual({
      Sales: ['2023-12-20', ...values(120)],
    })
  })

  it('leave behind how their weekdays differ, once they are added up to months', () => {
    const [code] = days
    const first = Date.parse(code!)
    const file = (by: number) =>
      lines([
        ['Date', 'Sales'],
        ...days.map((day) => {
          const weekday = (new Date(Date.parse(day)).getUTCDay() + 6) % 7
          const week = Math.floor((Date.parse(day) - first) / 7 / 86_400_000)
          return [day, (1000 + 10 * week) * (weekday === 4 ? by : 1)]
        }),
      ])
    const weekdaysOf = (text: ReturnType<typeof file>, answers = {}) => {
      const reading = read(text, answers)
      if (reading.outcome !== 'ok') throw new Error(reading.outcome)
      return reading.series[0]!.weekdays
    }
    const shares = weekdaysOf(file(2))!
    // Fridays twice the others: 2 ÷ (8 ÷ 7) of the mean day.
    expect(shares.days[4]!.share).toBeCloseTo(1.75, 1)
    expect(shares.p).toBeLessThan(1e-6)
    expect(weekdaysOf(file(2), { gather: 'mean' })).toBeUndefined()
    expect(weekdaysOf(file(2), { frequency: 'daily' })).toBeUndefined()
  })

  it('without Sundays are trading days alone, or keep a gap for each as it is asked', () => {
    const open = days.filter((_, i) => (i + 2) % 7 !== 6)
    const alone = read(fileOf(open), { frequency: 'daily' })
    if (alone.outcome !== 'ok') throw new Error(alone.outcome)
    expect(alone.series[0]!.series).toMatchObject({
      calendar: { frequency: 'daily', seasons: 6 },
      values: values(open.length),
    })
    const question = alone.questions.find(({ id }) => id === 'trading-days')!
    expect(question.ask).toBe('No row falls on a Sunday. Which days does the series have?')
    const { Sales } = seriesOf(fileOf(open), { frequency: 'daily', 'trading-days': 'every' })
    const [, ...kept] = Sales!
    expect(kept.filter((value) => value === null)).toHaveLength(days.length - open.length)
    expect(kept.filter((value) => value !== null)).toEqual(values(open.length))
  })

  it('with several rows each are gathered too, as it is asked', () => {
    const twice = days.flatMap((day, i) => [
      [day, sales(i)],
      [day, 1],
    ])
    const file = lines([['Date', 'Sales'], ...twice])
    const sums = values(120).map((value) => value + 1)
    expect(seriesOf(file, { frequency: 'daily' })).toEqual({ Sales: ['2023-12-20', ...sums] })
    expect(seriesOf(file, { frequency: 'daily', gather: 'max' }).Sales!.slice(1)).toEqual(
      values(120),
    )
  })

  it('become weeks from Monday to Sunday; those of fewer days at either end are left out', () => {
    // 20 December 2023 was a Wednesday, so its week has five days of seven.
    const { Sales } = seriesOf(fileOf(days), { frequency: 'weekly' })
    const [start, ...weeks] = Sales!
    expect(start).toBe('2023-W52')
    expect(weeks[0]).toBe(
      values(12)
        .slice(5)
        .reduce((all, value) => all + value, 0),
    )
    expect(weeks).toHaveLength(16)
    const kept = seriesOf(fileOf(days), { frequency: 'weekly', incomplete: 'keep' }).Sales!
    expect([kept[0], kept.length]).toEqual(['2023-W51', 1 + 18])
  })
})

describe('weeks', () => {
  it('are kept as weeks when asked, the 53rd among them', () => {
    const weeks = codes('weekly', '2019-W40', 100)
    expect(seriesOf(fileOf(weeks), { frequency: 'weekly' })).toEqual({
      Sales: ['2019-W40', ...values(100)],
    })
    const { length } = weeks.filter((week) => week.endsWith('W53'))
    expect(length).toBe(1)
  })

  it('by their Sundays are the same weeks', () => {
    const calendar = calendarOf('weekly')
    const { days } = axisOf({ calendar, start: parsePeriod('2019-W40', calendar)! })
    const sundays = Array.from({ length: 100 }, (_, i) =>
      new Date(days(i + 1)!.last * 86_400_000).toISOString().slice(0, 10),
    )
    expect(seriesOf(fileOf(sundays), { frequency: 'weekly' })).toEqual({
      Sales: ['2019-W40', ...values(100)],
    })
  })
})

describe('hours', () => {
  const hours = codes('hourly', '2024-02-27T05', 24 * 14)
  const spelt: Record<string, (code: string) => string> = {
    'as a standard has them': (code) => `${code}:00`,
    'with a blank and seconds': (code) => `${code.replace('T', ' ')}:00:00`,
    'by the half of the day': (code) => {
      const [day, hour] = code.split('T')
      return `${day} ${Number(hour) % 12 || 12}:00 ${Number(hour) < 12 ? 'AM' : 'PM'}`
    },
  }
  it.each(Object.entries(spelt))('%s are read and kept as hours', (_, write) => {
    const file = fileOf(hours.map(write), 'Orders')
    expect(asked(file)).toEqual([])
    expect(seriesOf(file, { frequency: 'hourly' })).toEqual({
      Orders: ['2024-02-27T05', ...values(hours.length)],
    })
  })

  it('become days by their sum', () => {
    const { Orders } = seriesOf(fileOf(hours.map(spelt['as a standard has them']!), 'Orders'), {
      frequency: 'daily',
    })
    const [start, first, second] = Orders!
    const sum = (from: number, to: number) =>
      values(to)
        .slice(from)
        .reduce((all, value) => all + value, 0)
    expect([start, first, second]).toEqual(['2024-02-27', sum(0, 19), sum(19, 43)])
  })

  it('of receipts, a few a day at any time, are days', () => {
    const receipts = codes('daily', '2024-01-01', 90).flatMap((day) =>
      ['09:12', '11:47', '16:03'].map((time) => [`${day} ${time}`, 5]),
    )
    const { questions } = read(lines([['Date', 'Sales'], ...receipts]))
    const frequency = questions.find(({ id }) => id === 'frequency')!
    expect(frequency.options.map(({ value }) => value)).not.toContain('hourly')
  })
})

describe('any stretch of days, weeks or hours', () => {
  it('is read as it was written', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('weekly', 'daily', 'hourly'),
        fc.integer({ min: 1, max: 1100 }),
        fc.integer({ min: 40, max: 90 }),
        (frequency, from, count) => {
          const calendar = calendarOf(frequency)
          const first = { weekly: '2000-W01', daily: '2000-01-01', hourly: '2000-01-01T00' }
          const { codeAt } = axisOf({ calendar, start: parsePeriod(first[frequency], calendar)! })
          const periods = Array.from({ length: count }, (_, i) => codeAt(from + i))
          const written = frequency === 'hourly' ? periods.map((code) => `${code}:00`) : periods
          expect(seriesOf(fileOf(written), { frequency })).toEqual({
            Sales: [periods[0], ...values(count)],
          })
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('figures without dates', () => {
  const pattern = [9, 3, 4, 1, 7, 2, 5]
  const file = lines([
    ['Visits'],
    ...Array.from({ length: 70 }, (_, i) => [100 * pattern[i % 7]! + i]),
  ])

  it('are asked how many are a turn of the seasons, with what they say themselves, and nothing is taken unasked', () => {
    const { questions } = read(file, { frequency: 'seasons' })
    const own = questions.find(({ id }) => id === 'seasons')!
    expect(own.answer).toBeNull()
    expect(own.proposed![0]!.value).toBe('7')
    expect(own.proposed![1]!.consequence).toContain('it is 2 times 7')
  })

  it('take the length that is accepted', () => {
    const { Visits } = seriesOf(file, { frequency: 'seasons', seasons: '7', start: '1-S1' })
    expect(Visits!.slice(0, 3)).toEqual(['1-S1', 900, 301])
  })
})
