import { calendarOf } from '../core/calendar/calendar'
import { addPeriods } from '../core/calendar/counting'
import type { Period } from '../core/calendar/period'

/** Seasons of the series that are made. */
export type Seasons = 12 | 4 | 1

const CALENDARS = {
  12: calendarOf('monthly'),
  4: calendarOf('quarterly'),
  1: calendarOf('yearly'),
} as const

/** The period a number of steps after another. */
export function periodAfter(period: Period, steps: number, seasons: Seasons): Period {
  return addPeriods(period, steps, CALENDARS[seasons])
}

/** How a period is written, and the answers to what may be asked about it. */
export interface PeriodStyle {
  readonly write: (period: Period) => string
  readonly answers?: Readonly<Record<string, string>>
}

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
const LONG_MONTHS =
  'January February March April May June July August September October November December'.split(' ')
const GERMAN =
  'Januar Februar März April Mai Juni Juli August September Oktober November Dezember'.split(' ')
const ORDINALS = ['First', 'Second', 'Third', 'Fourth']
const SEASONS = ['Spring', 'Summer', 'Autumn', 'Winter']
const two = (n: number) => String(n).padStart(2, '0')
const lastDay = (year: number, month: number) => new Date(Date.UTC(year, month, 0)).getUTCDate()
/** Midnight of the first of a month in a place an hour or, in summer, two hours east. */
const midnight = ({ cycle: year, season }: Period) =>
  new Date(Date.UTC(year, season - 1, 1, season > 3 && season < 11 ? -2 : -1)).toISOString()

/** Short names of months, as they head a matrix. */
export const MONTH_NAMES: readonly string[] = MONTHS

/** Ways to write the periods of a file, by the seasons of its year. */
export const PERIOD_STYLES: Readonly<Record<Seasons, Readonly<Record<string, PeriodStyle>>>> = {
  12: {
    iso: { write: ({ cycle: year, season }) => `${year}-${two(season)}` },
    day: { write: ({ cycle: year, season }) => `${year}-${two(season)}-01` },
    named: { write: ({ cycle: year, season }) => `${MONTHS[season - 1]} ${year}` },
    long: { write: ({ cycle: year, season }) => `${LONG_MONTHS[season - 1]} ${year}` },
    german: { write: ({ cycle: year, season }) => `${GERMAN[season - 1]} ${year}` },
    short: { write: ({ cycle: year, season }) => `${MONTHS[season - 1]}-${two(year % 100)}` },
    american: { write: ({ cycle: year, season }) => `${MONTHS[season - 1]} 1 ${year}` },
    british: { write: ({ cycle: year, season }) => `1 ${LONG_MONTHS[season - 1]} ${year}` },
    lastDay: {
      write: ({ cycle: year, season }) => `${two(lastDay(year, season))}/${two(season)}/${year}`,
      answers: { dates: 'day-first' },
    },
    points: { write: ({ cycle: year, season }) => `01.${two(season)}.${year}` },
    zone: { write: ({ cycle: year, season }) => `${year}-${two(season)}-01T00:00:00+01:00` },
    compact: { write: ({ cycle: year, season }) => `${year}${two(season)}` },
    slash: {
      write: ({ cycle: year, season }) => `${two(season)}/${two(year % 100)}`,
      answers: { 'short-dates': 'month-year' },
    },
    span: {
      write: ({ cycle: year, season }) =>
        `${year}-${two(season)}-01 - ${year}-${two(season)}-${lastDay(year, season)}`,
    },
    seconds: { write: ({ cycle: year, season }) => String(Date.UTC(year, season - 1, 1) / 1000) },
    utc: { write: midnight, answers: { midnight: 'next' } },
    ended: {
      write: ({ cycle: year, season }) =>
        `Month ended ${lastDay(year, season)} ${LONG_MONTHS[season - 1]} ${year}`,
    },
  },
  4: {
    iso: { write: ({ cycle: year, season }) => `${year}-Q${season}` },
    before: { write: ({ cycle: year, season }) => `Q${season} ${year}` },
    words: { write: ({ cycle: year, season }) => `${season}. Quartal ${year}` },
    end: {
      write: ({ cycle: year, season }) => `${year}-${two(season * 3)}-${lastDay(year, season * 3)}`,
    },
    counted: { write: ({ cycle: year, season }) => `${season}Q${two(year % 100)}` },
    spelt: { write: ({ cycle: year, season }) => `${ORDINALS[season - 1]} quarter ${year}` },
    months: {
      write: ({ cycle: year, season }) =>
        `${MONTHS[3 * season - 3]}-${MONTHS[3 * season - 1]} ${year}`,
    },
    seasons: {
      write: ({ cycle: year, season }) => `${SEASONS[season - 1]} ${year}`,
      answers: { 'first-season': '1' },
    },
    fiscal: {
      write: ({ cycle: year, season }) => `FY${two(year % 100)} Q${season}`,
      answers: { 'fiscal-start': '1' },
    },
  },
  1: {
    plain: { write: ({ cycle: year }) => String(year) },
    calendar: { write: ({ cycle: year }) => `CY${year}` },
  },
}
