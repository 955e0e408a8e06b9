import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarOf } from '../../core/calendar/calendar'
import { formatPeriod } from '../../core/calendar/codes'
import type { Period } from '../../core/calendar/period'
import type { Series, Value } from '../../core/series/series'
import { revisionOf } from './revision'

const monthly = (month: number, values: readonly Value[]): Series => ({
  name: 'Sales',
  unit: 'litres',
  calendar: calendarOf('monthly'),
  start: { cycle: 2021, season: month },
  values,
})
const codes = (found: readonly { period: Period }[]) =>
  found.map(({ period }) => formatPeriod(period, calendarOf('monthly')))

describe('a newer file', () => {
  it('adds periods, revises values, and may lack some', () => {
    const { added, revised, vanished } = revisionOf(
      monthly(1, [9, 10, 11, null, 13]),
      monthly(2, [10, 12, 14, null, 15, 16]),
    )
    expect(codes(added)).toEqual(['2021-06', '2021-07'])
    expect(revised.map(({ before, now }) => [before, now])).toEqual([
      [11, 12],
      [null, 14],
    ])
    expect(codes(vanished)).toEqual(['2021-01', '2021-05'])
  })

  it('that is the same changes nothing, wherever it begins', () => {
    const values = fc.array(fc.option(fc.integer(), { nil: null }), { minLength: 1, maxLength: 30 })
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 12 }), (own, month) => {
        const series = monthly(month, own)
        expect(revisionOf(series, series)).toEqual({ added: [], revised: [], vanished: [] })
      }),
    )
  })
})
