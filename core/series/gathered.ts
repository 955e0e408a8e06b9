import { axisOf } from '../calendar/axis'
import { calendarOf, isFinerThanMonths, type Calendar, type Frequency } from '../calendar/calendar'
import { countPeriods, onePeriod } from '../calendar/labels'
import { periodOfDay } from '../calendar/periodOfDay'
import { Refusal } from '../refusal'
import { gather, type Gathering } from './gather'
import type { Series, Value } from './series'

/** Rhythms with dates, the finest first: each can be gathered into any behind it. */
const BY_LENGTH = [
  'hourly',
  'daily',
  'weekly',
  'monthly',
  'quarterly',
  'half-yearly',
  'yearly',
] as const satisfies readonly Frequency[]

/** A rhythm that another can be gathered into. */
export const COARSER = BY_LENGTH.slice(1) as readonly Exclude<Frequency, 'seasons' | 'hourly'>[]
export type Coarser = (typeof COARSER)[number]

/** How a coarser value is made of finer ones; how many there are is asked of rows alone. */
export const GATHERED_BY = ['sum', 'mean', 'last', 'first', 'median', 'min', 'max'] as const
export type GatheredBy = Extract<Gathering, (typeof GATHERED_BY)[number]>

/** The rhythms that a series can be gathered into, the finest first; none of one without dates. */
export function coarserThan({ frequency }: Pick<Calendar, 'frequency'>): Coarser[] {
  const at = BY_LENGTH.indexOf(frequency as (typeof BY_LENGTH)[number])
  return at < 0 ? [] : COARSER.slice(at)
}

/** Whether periods may lack some of their values: days and hours on which nobody is open. */
export function mayLackSome({ frequency }: Pick<Calendar, 'frequency'>): boolean {
  return frequency === 'daily' || frequency === 'hourly'
}

/** A period of days or hours keeps its value when no more than this share of them has none: shops close. */
const MAY_LACK = 0.3
/** A week has its middle on a Thursday: the month of that day has the week. */
const TO_THURSDAY = 3

/**
 * A series in a coarser rhythm: each period made of the finer ones that lie in it.
 *
 * A period at either end that is not whole is left out. One within that lacks values has none itself, since a quarter of two
 * months is no quarter; of days and hours up to three in ten may be missing, and seasons that never have a value, as closed Sundays,
 * do not count at all.
 *
 * @param series with dates; its adjustments are not looked at: gather what is analysed
 * @param to the coarser rhythm
 * @param by how the values of a period become one
 * @returns the years of its tables begin as those of the series, where the coarser rhythm has a period beginning there
 * @throws Refusal for a rhythm that is not coarser, and for a series that has not one whole period of it
 * @example Jan 2024 – Jul 2024 by quarter, summed: 2024 Q1 and 2024 Q2
 */
export function gathered(series: Series, to: Coarser, by: GatheredBy): Series {
  const { calendar, values } = series
  if (!coarserThan(calendar).includes(to)) {
    throw new Refusal(
      `${countPeriods(2, calendar).slice(2)} cannot be gathered into ${onePeriod(calendarOf(to))}s.`,
      'row',
    )
  }
  const coarse = calendarOf(to, { yearStart: yearStartIn(to, calendar) })
  const fine = axisOf(series)
  const midway = calendar.frequency === 'weekly' ? TO_THURSDAY : 0
  const first = axisOf({
    calendar: coarse,
    start: periodOfDay(fine.firstDay(1)! + midway, coarse),
  })
  const placeOf = (t: number) => first.tOf(periodOfDay(fine.firstDay(t)! + midway, coarse))
  const isClosed = closedSeasons(series)
  const mayLack = mayLackSome(calendar) ? MAY_LACK : 0

  const places = values.map((_, i) => placeOf(i + 1))
  // The period before the first value, and the one behind the last, tell whether an end is whole.
  const from = placeOf(0) === 1 ? 2 : 1
  const last = places.at(-1)!
  const upTo = placeOf(values.length + 1) === last ? last - 1 : last
  if (upTo < from) {
    throw new Refusal(
      `These ${countPeriods(values.length, calendar)} hold no whole ${onePeriod(coarse)}.`,
      'row',
    )
  }
  const held = Array.from({ length: upTo - from + 1 }, (): { due: number; values: Value[] } => ({
    due: 0,
    values: [],
  }))
  values.forEach((value, i) => {
    const period = held[places[i]! - from]
    if (!period || isClosed.has(fine.seasonOf(i + 1))) return
    period.due++
    period.values.push(value)
  })
  return {
    ...series,
    calendar: coarse,
    start: first.periodAt(from),
    values: held.map(({ due, values }) => {
      const lacking = values.filter((value) => value === null).length
      return lacking > mayLack * due ? null : gather(values, by)
    }),
    adjustments: [],
  }
}

/** Seasons that came up twice or more and never had a value. */
function closedSeasons(series: Series): ReadonlySet<number> {
  const { seasonOf } = axisOf(series)
  const seen = new Map<number, { times: number; present: number }>()
  series.values.forEach((value, i) => {
    const season = seasonOf(i + 1)
    const { times, present } = seen.get(season) ?? { times: 0, present: 0 }
    seen.set(season, { times: times + 1, present: present + (value === null ? 0 : 1) })
  })
  return new Set(
    [...seen].flatMap(([season, own]) => (own.times > 1 && own.present === 0 ? season : [])),
  )
}

/** The season that a year begins in, of the coarser rhythm; 1 where none begins in that month. */
function yearStartIn(to: Coarser, calendar: Calendar): number {
  if (isFinerThanMonths(calendar) || isFinerThanMonths({ frequency: to })) return 1
  const years = (calendar.yearStart - 1) / calendar.seasons
  const start = years * calendarOf(to).seasons
  return Number.isInteger(start) ? start + 1 : 1
}

const NAMED_BY: Record<GatheredBy, string> = {
  sum: 'sums',
  mean: 'means',
  last: 'last values',
  first: 'first values',
  median: 'medians',
  min: 'lowest values',
  max: 'highest values',
}

/** What is done to the values, in a few words: `Sums by quarter`. */
export function gatheredLabel({ to, by }: { readonly to: Coarser; readonly by: GatheredBy }) {
  const named = NAMED_BY[by]
  return `${named.charAt(0).toUpperCase()}${named.slice(1)} by ${onePeriod(calendarOf(to))}`
}

/** The usual way of gathering: what adds up is summed, what holds at a time averaged. */
export function usualGathering({ quantity }: Pick<Series, 'quantity'>): GatheredBy {
  return quantity === 'level' ? 'mean' : 'sum'
}

/** The name of the coarser series: `Exterior paint by quarter`, `Stock by quarter, last values`. */
export function gatheredName(series: Series, to: Coarser, by: GatheredBy): string {
  const own = by === usualGathering(series) ? '' : `, ${NAMED_BY[by]}`
  return `${series.name} by ${onePeriod(calendarOf(to))}${own}`
}
