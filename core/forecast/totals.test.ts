import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { totalsByQuarter, totalsByYear } from './totals'

const months = {
  calendar: calendarOf('monthly'),
  start: { cycle: 2024, season: 1 },
  firstT: 1,
  quantity: 'flow' as const,
}

describe('totals of a forecast', () => {
  it('of the year that is under way: what came and what is to come, against the year before', () => {
    // 2024 at 10 a month; Jan to Apr 2025 at 12, then a forecast of 11 for twelve months.
    const values = [...Array<number>(12).fill(10), 12, 12, 12, 12]
    const [thisYear, next] = totalsByYear({
      ...months,
      values,
      forecast: Array<number>(12).fill(11),
    })
    expect(thisYear).toMatchObject({
      label: '2025',
      total: 4 * 12 + 8 * 11,
      before: 120,
      forecast: 8,
    })
    expect(thisYear!.change).toBeCloseTo(136 / 120 - 1, 12)
    expect(next).toMatchObject({
      label: 'Jan 2026 to Apr 2026',
      total: 44,
      before: 48,
      forecast: 4,
    })
  })

  it('by quarter, a fiscal year called by its end', () => {
    const fiscal = { ...months, calendar: calendarOf('monthly', { yearStart: 7 }) }
    const values = Array<number>(18).fill(10)
    const rows = totalsByQuarter({ ...fiscal, values, forecast: Array<number>(4).fill(20) })
    expect(rows).toMatchObject([
      { label: '2026 Q1', total: 60, before: 30, change: 1 },
      { label: 'Oct 2025', total: 20, before: 10 },
    ])
  })

  it('has nothing before where the year before is not whole, and over a gap no total but its name', () => {
    const values = [null, ...Array<number>(11).fill(10), 5, null]
    const rows = totalsByYear({ ...months, values, forecast: [1, 1] })
    expect(rows).toMatchObject([{ total: null, gap: 'Feb 2025', change: null, forecast: 2 }])
    const [row] = totalsByYear({ ...months, values: values.slice(0, 12), forecast: [1, 1] })
    expect(row).toMatchObject({ total: 2, before: null, change: null })
  })

  it('is none where a year is one period, or a quarter', () => {
    const yearly = {
      calendar: calendarOf('yearly'),
      start: { cycle: 2010, season: 1 },
      firstT: 1,
      quantity: 'flow' as const,
    }
    expect(totalsByYear({ ...yearly, values: [1, 2, 3], forecast: [4] })).toEqual([])
    const quarters = {
      calendar: calendarOf('quarterly'),
      start: { cycle: 2010, season: 1 },
      firstT: 1,
      quantity: 'flow' as const,
    }
    expect(totalsByQuarter({ ...quarters, values: [1, 2, 3, 4], forecast: [5] })).toEqual([])
  })
})

describe('a level', () => {
  it('has a mean in the place of a total: twelve prices are no price', () => {
    const prices = { ...months, quantity: 'level' as const, values: Array<number>(12).fill(10) }
    const [year] = totalsByYear({ ...prices, forecast: Array<number>(12).fill(11) })
    expect(year).toMatchObject({ total: 11, before: 10 })
    expect(year!.change).toBeCloseTo(0.1, 12)
  })
})
