import type { Calendar } from '../../core/calendar/calendar'
import type { Period } from '../../core/calendar/period'
import type { Value } from '../../core/series/series'
import type { ValuedSeries } from '../numbers/readValues'
import type { PeriodReading } from '../periods/periodReading'
import { dayOf, periodOf } from './commonCalendar'

export interface Grouped {
  readonly period: Period
  readonly entries: ValuedSeries['entries'][number][]
}

export function group({ entries }: ValuedSeries, calendar: Calendar): Map<number, Grouped> {
  const byPeriod = new Map<number, Grouped>()
  for (const entry of entries) {
    const period = periodOf(entry.at.period, calendar)
    const key = period.cycle * calendar.seasons + period.season
    const known = byPeriod.get(key)
    if (known) known.entries.push(entry)
    else byPeriod.set(key, { period, entries: [entry] })
  }
  return byPeriod
}

/** The values of a period in the order of time. */
export function inOrder(entries: Grouped['entries']): Value[] {
  return [...entries]
    .sort((a, b) => dayOf(a.at.period) - dayOf(b.at.period))
    .map(({ value }) => value)
}

/** Every period of some series, each once. */
export function distinct(series: readonly ValuedSeries[]): PeriodReading[] {
  const known = new Set<PeriodReading>()
  for (const { entries } of series) for (const { at } of entries) known.add(at.period)
  return [...known]
}
