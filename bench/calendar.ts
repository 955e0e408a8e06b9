import { calculate } from '../core/calculate'
import { calendarOf } from '../core/calendar/calendar'
import { axisOf } from '../core/calendar/axis'
import type { CalendarDocument } from '../core/prepare/calendar/options'
import { easterColumn } from '../core/regression/regressors/calendar/easter'
import { lengthOfPeriod, tradingDays } from '../core/regression/regressors/calendar/days'
import { holidayColumn } from '../core/regression/regressors/calendar/ownHolidays'
import { dayOf } from '../core/calendar/civil'
import type { Series } from '../core/series/series'
import { median, say } from './measured'

function tell(what: string, took: number): void {
  say('calendar', what, `${took.toFixed(2)} ms`)
}

/** Time of the calendar's columns, and of all its effects at once beside the numbers alone of the same series. */
const calendar = calendarOf('monthly')
const start = { cycle: 1985, season: 1 }
const FAIR = {
  name: 'fair',
  dates: Array.from({ length: 41 }, (_, i) => dayOf(1985 + i, i % 2 ? 5 : 4, 1 + (i % 28))),
  before: 2,
  after: 3,
}

tell(
  'columns of the calendar, 40 years of months: six days, length, Easter, a list',
  median(30, () => {
    const axis = axisOf({ calendar, start })
    const columns = [
      ...tradingDays(axis),
      lengthOfPeriod(axis),
      easterColumn(axis, 8),
      holidayColumn(axis, FAIR, { first: 1985, last: 2025 }),
    ]
    for (const { at } of columns) for (let t = 1; t <= 480; t++) at(t)
  }),
)

const ten: Series = {
  ...{ name: 'Bench', unit: 'litres', calendar, start: { cycle: 2016, season: 1 } },
  values: Array.from(
    { length: 120 },
    (_, i) =>
      (20_000 + 60 * i) * (1 + 0.35 * Math.sin((2 * Math.PI * i) / 12)) + ((i * 7919) % 997),
  ),
}
const METHOD = { format: 'elvant-method/1' } as const
const ALL: CalendarDocument = { tradingDay: 'six', length: 'leap-year', easter: 8 }
const alone = median(200, () => calculate(ten, METHOD))
tell('yardstick: numbers alone, 120 months', alone)
tell(
  'all effects of the calendar estimated, 120 months: what they add to that',
  median(200, () => calculate(ten, { ...METHOD, calendar: ALL })) - alone,
)
tell(
  'the same where each is kept if it helps',
  median(200, () =>
    calculate(ten, {
      ...METHOD,
      calendar: { ...ALL, ifItHelps: ['tradingDay', 'length', 'easter'] },
    }),
  ) - alone,
)
