import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { powersOfTime, type DesignColumn } from './design'
import { designCalendar } from './designCalendar'
import { breakColumns, indicator, step } from './regressors/events'
import { centredSeason, seasonColumns } from './regressors/seasonForms'
import { TIME_CODE, timeInDays, timePerYear } from './timeVariable'

describe('the columns by hand', () => {
  const quarters = designCalendar(calendarOf('quarterly'), { cycle: 2020, season: 1 })
  const rows = (columns: readonly DesignColumn[], ...periods: number[]) =>
    periods.map((t) => columns.map(({ at }) => Math.round(at(t) * 1e9) / 1e9 + 0))

  it('effects sum to 0 over a year', () => {
    const columns = seasonColumns({ form: 'effects' }, quarters)
    expect(rows(columns, 1, 2, 3, 4)).toEqual([
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
      [-1, -1, -1],
    ])
  })

  it('the shortest wave of an even year has no sine', () => {
    const columns = seasonColumns({ form: 'fourier', pairs: 2 }, quarters)
    expect(columns.map(({ name }) => name)).toEqual(['sin 1', 'cos 1', 'cos 2'])
    expect(rows(columns, 1, 2)).toEqual([
      [1, 0, -1],
      [0, -1, 1],
    ])
  })

  it('an event lasts as long as it is said to', () => {
    expect(
      rows(
        [
          indicator('flood', [{ from: 3, to: 4 }]),
          step('shop', 4),
          ...breakColumns({ t: 3, level: true }, TIME_CODE, '2020 Q3'),
        ],
        2,
        3,
        5,
      ),
    ).toEqual([
      [0, 0, 0, 0],
      [1, 0, 0, 1],
      [0, 1, 2, 1],
    ])
  })

  it('what a season adds is against the average one, however it is coded', () => {
    const weights = (form: Parameters<typeof centredSeason>[0], t: number) =>
      centredSeason(form, quarters)(t)
    expect(weights({ form: 'dummies', base: 1 }, 1)).toEqual([-0.25, -0.25, -0.25])
    expect(weights({ form: 'effects' }, 4)).toEqual([-1, -1, -1])
    for (const form of [
      { form: 'dummies', base: 2 },
      { form: 'effects' },
      { form: 'fourier', pairs: 2 },
      { form: 'dummies-by-trend', base: 3 },
    ] as const) {
      const year = [9, 10, 11, 12].map((t) => weights(form, t))
      // Slopes grow with time, so a year of them is no constant sum; at one time the seasons average 0.
      if (form.form === 'dummies-by-trend') continue
      for (const j of year[0]!.keys()) {
        expect(year.reduce((sum, one) => sum + one[j]!, 0)).toBeCloseTo(0, 12)
      }
    }
  })
})

describe('time in days', () => {
  const days = timeInDays(calendarOf('monthly'), { cycle: 2019, season: 1 })

  it('counts from the first day of the first period, leap days included', () => {
    expect([1, 2, 3, 15].map(days.at)).toEqual([0, 31, 59, 425])
    expect(days.at(49) - days.at(13)).toBe(366 + 365 + 365)
    expect(powersOfTime(2, days).map(({ name, label }) => [name, label])).toEqual([
      ['days', 'days'],
      ['days^2', 'days²'],
    ])
    expect(timePerYear(days, 12)).toBe(365.25)
  })

  it('is the quarter’s first day, and refused where periods have none', () => {
    expect(timeInDays(calendarOf('quarterly'), { cycle: 2019, season: 2 }).at(3)).toBe(183)
    const sevenths = calendarOf('seasons', { seasons: 7 })
    expect(() => timeInDays(sevenths, { cycle: 2019, season: 1 })).toThrow(/no dates/)
  })
})
