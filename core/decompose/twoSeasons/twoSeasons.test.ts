import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { parsePeriod } from '../../calendar/codes'
import type { MethodDocument } from '../../method'
import type { Series, Value } from '../../series/series'
import { stretchOf } from '../../series/stretch'
import { completeDecomposition } from '../ways'
import { circular } from './circular'
import { decomposeTwoSeasons } from './calculate'
import { completeTwoSeasons, type TwoSeasonsDocument } from './options'

const DAYS = calendarOf('daily')

function undated(seasons: number, values: readonly Value[]): Series {
  const calendar = calendarOf('seasons', { seasons })
  return { name: 'Made', unit: 'units', calendar, start: { cycle: 1, season: 1 }, values }
}

function daily(from: string, values: readonly Value[]): Series {
  return { name: 'Takings', unit: 'euros', calendar: DAYS, start: parsePeriod(from, DAYS)!, values }
}

function apart(series: Series, document: Partial<TwoSeasonsDocument>) {
  const { seasons, frequency } = series.calendar
  const options = completeTwoSeasons(
    { by: 'two-seasons', ...document },
    { model: 'additive', periods: series.values.length, seasons, frequency },
  )
  return decomposeTwoSeasons(stretchOf(series, 1, series.values.length), options, new Set())
}

/** Numbers less their mean. */
function centred(numbers: readonly number[]): number[] {
  const mean = numbers.reduce((sum, one) => sum + one, 0) / numbers.length
  return numbers.map((one) => one - mean)
}

const pattern = (length: number) =>
  fc
    .array(fc.double({ min: -40, max: 40, noNaN: true }), { minLength: length, maxLength: length })
    .map(centred)

describe('two seasons by averages', () => {
  it('split two patterns on a straight line exactly, where their lengths share no divisor', () => {
    fc.assert(
      fc.property(
        fc
          .constantFrom([3, 4], [4, 7], [5, 6], [7, 10])
          .chain(([m1, m2]) =>
            fc.tuple(fc.constant([m1!, m2!] as const), pattern(m1!), pattern(m2!)),
          ),
        fc.double({ min: -2, max: 2, noNaN: true }),
        ([[m1, m2], first, second], slope) => {
          // Each position of one meets every position of the other equally often within the averages: over whole cycles of both.
          const n = m1 * m2 * 3 + m2
          const values = Array.from(
            { length: n },
            (_, i) => 100 + slope * i + first[i % m1]! + second[i % m2]!,
          )
          const { taken, trendCycle } = apart(undated(m1, values), {
            seasons: [m1, m2],
            model: 'additive',
            width: 0,
          })
          const [a, b] = taken.seasons
          first.forEach((one, k) => expect(a.index[k]).toBeCloseTo(one, 6))
          second.forEach((one, k) => expect(b.index[k]).toBeCloseTo(one, 6))
          trendCycle.forEach((level, i) => {
            if (level !== null) expect(level).toBeCloseTo(100 + slope * i, 6)
          })
        },
      ),
      { numRuns: 40 },
    )
  })

  it('scale with the values', () => {
    const values = Array.from({ length: 140 }, (_, i) => 50 + ((i * 37) % 11) + (i % 7) * 3)
    const factors = (scale: number) =>
      apart(
        undated(
          7,
          values.map((value) => scale * value),
        ),
        { seasons: [7, 30], model: 'multiplicative' },
      ).taken.seasons.map(({ index }) => index)
    const [one, large] = [factors(1), factors(1000)]
    one.forEach((index, k) => index.forEach((own, i) => expect(large[k]![i]).toBeCloseTo(own, 9)))
  })

  it('leave to the shorter what both could take, where the longer holds whole cycles of it', () => {
    const values = Array.from({ length: 120 }, (_, i) => 100 + [10, -4, -6][i % 3]!)
    const { taken } = apart(undated(3, values), { seasons: [3, 12], model: 'additive' })
    ;[10, -4, -6].forEach((one, k) => expect(taken.seasons[0].index[k]).toBeCloseTo(one, 8))
    taken.seasons[1].index.forEach((one) => expect(one).toBeCloseTo(0, 8))
  })

  it('settle with noise too, where the longer holds whole cycles of the shorter', () => {
    const noise = (i: number) => ((i * 7919) % 101) / 25
    const values = Array.from({ length: 100 }, (_, i) => 100 + [10, -4, -6][i % 3]! + noise(i))
    const { taken } = apart(undated(3, values), { seasons: [3, 12], model: 'additive' })
    const { index } = taken.seasons[1]
    for (const k of [0, 1, 2]) {
      expect(index[k]! + index[k + 3]! + index[k + 6]! + index[k + 9]!).toBeCloseTo(0, 9)
    }
  })

  it('find the week and the year of days, and put both back in the forecast', () => {
    const week = centred([0, 2, 3, 5, 20, 45, -40])
    const yearly = (day: number) => 30 * Math.sin((2 * Math.PI * day) / 365.25)
    const truth = (i: number) => 500 + week[(i + 5) % 7]! + yearly(i)
    // 1 January 2022 was a Saturday, the sixth of its week.
    const series = daily(
      '2022-01-01',
      Array.from({ length: 4 * 365 + 1 }, (_, i) => truth(i)),
    )
    const method: MethodDocument = {
      format: 'elvant-method/1',
      decompose: { by: 'two-seasons', model: 'additive' },
      forecast: { horizon: 200 },
    }
    const { forecast, decomposition, findings } = analyse(series, method)
    forecast.forecast.forEach((value, h) =>
      expect(Math.abs(value - truth(series.values.length + h))).toBeLessThan(4),
    )
    if (decomposition.by !== 'two-seasons') throw new Error('another way was taken')
    const [days, year] = decomposition.seasons
    week.forEach((one, k) => expect(days.index[k]).toBeCloseTo(one, 0))
    expect([days.found, year.found]).toEqual([true, true])
    const said = findings.map(({ text }) => text).join(' ')
    expect(said).toContain('Over the week: every Sat')
    expect(said).toMatch(/Over the year: every (Mar|Apr)/)
  })
})

describe('two seasons by loess', () => {
  it('find both patterns of a series without noise', () => {
    const [first, second] = [
      centred([5, 1, -2, 8, 0, -9, 3]),
      centred([9, 4, -3, 0, 2, -8, 1, 6, -5, 7]),
    ]
    const values = Array.from(
      { length: 350 },
      (_, i) => 200 + 0.1 * i + first[i % 7]! + second[i % 10]!,
    )
    const { taken } = apart(undated(7, values), {
      ...{ seasons: [7, 10], each: 'loess', model: 'additive', seasonalWindow: 'periodic' },
    })
    first.forEach((one, k) => expect(Math.abs(taken.seasons[0].index[k]! - one)).toBeLessThan(0.15))
    second.forEach((one, k) =>
      expect(Math.abs(taken.seasons[1].index[k]! - one)).toBeLessThan(0.15),
    )
  })
})

describe('the neighbours of a longer season', () => {
  it('count by their distance, around the end of the cycle too', () => {
    const smooth = circular([4, 0, 0, 0], 1)
    expect(smooth[0]).toBeCloseTo(4 / (1 + 2 * 0.5625), 12)
    expect(smooth[3]).toBeCloseTo((4 * 0.5625) / (1 + 2 * 0.5625), 12)
    expect(circular([1, null, 3], 0)).toEqual([1, null, 3])
    expect(circular([1, null, 1], 1)).toEqual([1, 1, 1])
  })
})

describe('two seasons are refused', () => {
  const facts = { model: 'additive', periods: 800, seasons: 7, frequency: 'daily' } as const
  it.each([
    [{ seasons: [7, 7] }, 'are one'],
    [{ seasons: [365, 7] }, 'shorter season first'],
    [{ seasons: [5, 30] }, 'must be that of the series, 7'],
    [{ width: 200 }, 'goes round a season of 365'],
    [{ each: 'loess', width: 3 }, 'belongs to two seasons by averages'],
    [{ robust: true }, 'belongs to two seasons by loess'],
  ] as const)('%j', (document, because) => {
    expect(() => completeDecomposition({ by: 'two-seasons', ...document }, facts)).toThrow(because)
  })

  it('below two cycles of the longer, three with gaps', () => {
    const values = Array.from({ length: 729 }, (_, i) => 100 + (i % 7))
    expect(() => apart(daily('2022-01-01', values), {})).toThrow('730 periods')
    const gap = [...values, 3, 4, null]
    expect(() => apart(daily('2022-01-01', gap), {})).toThrow('three times')
  })

  it('where the series has one alone', () => {
    const monthly = { model: 'additive', periods: 100, seasons: 12, frequency: 'monthly' } as const
    expect(() => completeDecomposition({ by: 'two-seasons' }, monthly)).toThrow('must be named')
  })
})
