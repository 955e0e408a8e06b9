import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisOf } from '../calendar/axis'
import { calendarOf, type Frequency } from '../calendar/calendar'
import { parsePeriod } from '../calendar/codes'
import { Refusal } from '../refusal'
import { COARSER, coarserThan, gathered, GATHERED_BY, gatheredName } from './gathered'
import type { Series, Value } from './series'

function seriesOf(
  frequency: Frequency,
  start: string,
  values: readonly Value[],
  more: Partial<Series> & { readonly yearStart?: number } = {},
): Series {
  const calendar = calendarOf(frequency, { yearStart: more.yearStart ?? 1 })
  return {
    name: 'Glaze',
    unit: 'l',
    ...more,
    calendar,
    start: parsePeriod(start, calendar)!,
    values,
  }
}

/** Periods and values as they are read. */
function told(series: Series): [string, Value][] {
  const { codeAt } = axisOf(series)
  return series.values.map((value, i) => [codeAt(i + 1), value])
}

describe('months by quarter', () => {
  const months = seriesOf('monthly', '2023-11', [9, 9, 1, 2, 3, 4, 5, 6, 7])

  it('are whole quarters alone, each in its own way', () => {
    expect(told(gathered(months, 'quarterly', 'sum'))).toEqual([
      ['2024-Q1', 6],
      ['2024-Q2', 15],
    ])
    const made = GATHERED_BY.map((by) => [by, gathered(months, 'quarterly', by).values[0]])
    expect(made).toEqual([
      ['sum', 6],
      ['mean', 2],
      ['last', 3],
      ['first', 1],
      ['median', 2],
      ['min', 1],
      ['max', 3],
    ])
  })

  it('have no value where a month has none, but one where it never has in two years', () => {
    const gap = seriesOf('monthly', '2024-01', [1, null, 3, 4, 5, 6])
    expect(gathered(gap, 'quarterly', 'sum').values).toEqual([null, 15])
    const years = Array.from({ length: 24 }, (_, i): Value => (i % 12 === 7 ? null : 1))
    const closed = gathered(seriesOf('monthly', '2023-01', years), 'quarterly', 'sum')
    expect(closed.values.slice(0, 4)).toEqual([3, 3, 2, 3])
  })

  it('keep the beginning of the year where a quarter begins there', () => {
    const in4 = gathered(
      { ...months, calendar: calendarOf('monthly', { yearStart: 4 }) },
      'quarterly',
      'sum',
    )
    const in2 = gathered(
      { ...months, calendar: calendarOf('monthly', { yearStart: 2 }) },
      'quarterly',
      'sum',
    )
    expect([in4.calendar.yearStart, in2.calendar.yearStart]).toEqual([2, 1])
  })

  it('are refused where none is whole, and where the rhythm is not coarser', () => {
    expect(() => gathered(seriesOf('monthly', '2024-02', [1, 2, 3]), 'quarterly', 'sum')).toThrow(
      'These 3 months hold no whole quarter.',
    )
    expect(() => gathered(seriesOf('quarterly', '2024-Q1', [1, 2]), 'monthly', 'sum')).toThrow(
      'quarters cannot be gathered into months.',
    )
    const undated = { ...months, calendar: calendarOf('seasons', { seasons: 5 }) }
    expect(coarserThan(undated.calendar)).toEqual([])
    expect(() => gathered(undated, 'yearly', 'sum')).toThrow(Refusal)
  })
})

describe('weeks, days and hours', () => {
  it('a week is of the month of its Thursday, also over a year of 53 weeks', () => {
    const weeks = seriesOf('weekly', '2020-W49', Array<number>(10).fill(1))
    // W49 has 3 December, W53 has 31 December, the next W01 the 7th of January.
    expect(told(gathered(weeks, 'monthly', 'sum'))).toEqual([
      ['2020-12', 5],
      ['2021-01', 4],
    ])
  })

  it('days that never have a value are no gap, and a few holidays neither', () => {
    const days = Array.from({ length: 60 }, (_, i): Value => ((i + 1) % 7 === 0 ? null : 1))
    // From Monday 1 April 2024: Sundays closed; the 1st of May a holiday.
    days[30] = null
    const series = seriesOf('daily', '2024-04-01', days)
    expect(told(gathered(series, 'monthly', 'sum'))).toEqual([['2024-04', 26]])
    expect(gathered(series, 'weekly', 'sum').values.slice(3, 6)).toEqual([6, 5, 6])
    // A week without half of its days has no value.
    for (const i of [0, 1, 2]) days[i] = null
    const lacking = gathered(seriesOf('daily', '2024-04-01', days), 'weekly', 'sum')
    expect(lacking.values[0]).toBeNull()
  })

  it('hours make days', () => {
    const hours = seriesOf(
      'hourly',
      '2024-01-31T22',
      Array.from({ length: 50 }, () => 2),
    )
    expect(told(gathered(hours, 'daily', 'sum'))).toEqual([
      ['2024-02-01', 48],
      ['2024-02-02', 48],
    ])
  })
})

describe('whatever the stretch', () => {
  const STARTS: Record<string, string> = {
    monthly: '2019-05',
    weekly: '2019-W30',
    daily: '2019-12-29',
    quarterly: '2019-Q2',
    'half-yearly': '2019-H2',
  }

  it('what is summed over whole periods is what lies in them, step by step or at once', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(STARTS)),
        fc.array(fc.integer({ min: 1, max: 1000 }), { minLength: 800, maxLength: 1500 }),
        fc.nat(COARSER.length),
        (frequency, values, pick) => {
          const series = seriesOf(frequency as Frequency, STARTS[frequency]!, values)
          const targets = coarserThan(series.calendar)
          const to = targets[pick % targets.length]!
          const coarse = gathered(series, to, 'sum')
          const { tOf, firstDay } = axisOf(coarse)
          expect(tOf(coarse.start)).toBe(1)
          const [first, behind] = [firstDay(1)!, firstDay(coarse.values.length + 1)!]
          const midway = frequency === 'weekly' ? 3 : 0
          const fine = axisOf(series)
          const within = values.filter((_, i) => {
            const day = fine.firstDay(i + 1)! + midway
            return day >= first && day < behind
          })
          const total = (all: readonly Value[]) => all.reduce<number>((sum, own) => sum + own!, 0)
          expect(total(coarse.values)).toBe(total(within))
        },
      ),
      { numRuns: 60 },
    )
  })
})

it('names say how, where it is not the usual way', () => {
  const stock = seriesOf('monthly', '2024-01', [1], { quantity: 'level' })
  expect(gatheredName(stock, 'quarterly', 'mean')).toBe('Glaze by quarter')
  expect(gatheredName(stock, 'quarterly', 'last')).toBe('Glaze by quarter, last values')
})
