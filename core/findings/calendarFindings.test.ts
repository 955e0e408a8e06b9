import { describe, expect, it } from 'vitest'
import { analyse } from '../analyse'
import { calendarOf } from '../calendar/calendar'
import { changed, type MethodDocument } from '../method'
import { axisOf } from '../calendar/axis'
import type { CalendarDocument } from '../prepare/calendar/options'
import { easterColumn } from '../regression/regressors/calendar/easter'
import { tradingDays } from '../regression/regressors/calendar/days'
import type { Series } from '../series/series'

const START = { cycle: 2014, season: 1 }
const AXIS = axisOf({ calendar: calendarOf('monthly'), start: START })
const SIX = tradingDays(AXIS)
const EASTER = easterColumn(AXIS, 8)
const noise = (t: number) => Math.sin(t * t * 1.7)

/** Months with a season, and effects of a Saturday and of Easter. */
function months(saturday: number, easter: number, length = 96): Series {
  return {
    ...{ name: 'Paint', unit: 'litres', calendar: calendarOf('monthly'), start: START },
    values: Array.from({ length }, (_, i) => {
      const t = i + 1
      const days = saturday * (SIX[5]!.at(t) - SIX[0]!.at(t)) + easter * EASTER.at(t)
      return 1000 * Math.exp(0.003 * t + 0.2 * Math.sin((Math.PI * t) / 6) + days + 0.01 * noise(t))
    }),
  }
}
const PLAIN: MethodDocument = { format: 'elvant-method/1', trend: { form: 'linear' } }
const without = (calendar: CalendarDocument) => ({ ...PLAIN, calendar }) as MethodDocument
function told(series: Series, document: MethodDocument = PLAIN) {
  const { findings } = analyse(series, document)
  return findings.filter(({ code }) => code.startsWith('calendar'))
}

describe('what is said of the calendar', () => {
  it('is nothing where it does nothing', () => {
    expect(told(months(0, 0))).toEqual([])
  })

  it('is what it explains, the day that does most, and a click after which it is said no more', () => {
    const series = months(0.015, 0.06)
    const [left, ...more] = told(series)
    expect(more).toEqual([])
    expect(left).toMatchObject({ code: 'calendar-left', severity: 'note', stage: 'look' })
    expect(left!.text).toMatch(
      /^Trading days explain \d\d% of what season and trend leave \(F\(6, 7\d\) = [\d.]+, p < 0\.0001; one (Saturday|Monday) more: [+−]1\.\d% ± 0\.\d%\); Easter explains \d\d% of it \(F\(1, 7\d\) = .*; all days before Easter: \+[567]\.?\d?% ± [\d.]+%\)\. Left in, they pass for good and bad periods\.$/,
    )
    const [take] = left!.actions!
    expect(take!.label).toBe('Take trading days and Easter out')
    const next = changed(PLAIN, (take as { change: object }).change as never)
    expect(next.calendar).toEqual({ tradingDay: 'six', easter: 8 })
    expect(told(series, next)).toEqual([])
  })

  it('is what is still there where only a part was taken out', () => {
    const [left] = told(months(0.015, 0.06), without({ tradingDay: 'six' }))
    expect(left!.text).toMatch(/^After the calendar was taken out, Easter still explains \d\d%/)
    expect(left!.actions![0]).toMatchObject({
      label: 'Take Easter out',
      change: { calendar: { easter: 8 } },
    })
  })

  it('is that an effect does nothing, with two ways out of it', () => {
    const [idle] = told(months(0.015, 0), without({ tradingDay: 'six', easter: 8 }))
    expect(idle).toMatchObject({ code: 'calendar-idle', severity: 'note' })
    expect(idle!.text).toMatch(/cannot be told from nothing: the effect Easter \(F\(1, 7\d\) = /)
    const [leave, help] = idle!.actions as unknown as { change: never }[]
    const asked = without({ tradingDay: 'six', easter: 8 })
    expect(changed(asked, leave!.change).calendar).toEqual({ tradingDay: 'six' })
    expect(changed(asked, help!.change).calendar).toMatchObject({ ifItHelps: ['easter'] })
    for (const { change } of [leave!, help!]) {
      expect(told(months(0.015, 0), changed(asked, change))).toEqual([])
    }
    const alone = told(months(0, 0), without({ easter: 8 }))[0]!.actions as unknown as {
      change: never
    }[]
    expect(changed(without({ easter: 8 }), alone[0]!.change).calendar).toBeUndefined()
  })

  it('is that a span is too short to tell whether an effect helps', () => {
    const asked = without({ tradingDay: 'six', length: 'leap-year', ifItHelps: ['length'] })
    const codes = (length: number) => told(months(0.015, 0, length), asked).map(({ code }) => code)
    expect(codes(96)).not.toContain('calendar-too-short')
    expect(codes(54)).toContain('calendar-too-short')
  })

  it('is nothing of figures that are levels, and of years of other seasons', () => {
    const series = months(0.015, 0.06)
    expect(told({ ...series, quantity: 'level' })).toEqual([])
    const calendar = calendarOf('seasons', { seasons: 12 })
    expect(told({ ...series, calendar })).toEqual([])
  })
})
