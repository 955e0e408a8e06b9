import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { broughtUpToDate } from './broughtUpToDate'

const from = (season: number, values: readonly (number | null)[], year = 2020) => ({
  calendar: calendarOf('monthly'),
  start: { cycle: year, season },
  values,
})

describe('a series brought up to date', () => {
  it('keeps what a shorter file no longer has', () => {
    expect(broughtUpToDate(from(1, [10, 11, 12]), from(3, [12.5, 13]))).toEqual({
      ...{ start: { cycle: 2020, season: 1 }, values: [10, 11, 12.5, 13], carriedOver: 2 },
    })
  })

  it('keeps a value where the file has a gap, and takes earlier periods in', () => {
    expect(broughtUpToDate(from(3, [1, 2, 3]), from(12, [9, 8, 7, null, 5], 2019))).toEqual({
      ...{ start: { cycle: 2019, season: 12 }, values: [9, 8, 7, 1, 5, 3], carriedOver: 2 },
    })
  })

  it('leaves a gap between two that do not meet', () => {
    expect(broughtUpToDate(from(1, [1]), from(4, [4])).values).toEqual([1, null, null, 4])
  })
})
