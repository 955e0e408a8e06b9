import type { Calendar } from '../../core/calendar/calendar'
import type { Period } from '../../core/calendar/period'
import { rhythmOf } from '../../core/calendar/rhythms'
import type { Value } from '../../core/series/series'
import type { ValuedSeries } from '../numbers/readValues'
import type { PeriodReading } from '../periods/periodReading'
import { hourOf, periodOf } from './commonCalendar'

export interface Grouped {
  readonly period: Period
  readonly entries: ValuedSeries['entries'][number][]
}

export function group({ entries }: ValuedSeries, calendar: Calendar): Map<number, Grouped> {
  const { countOf } = rhythmOf(calendar)
  const byPeriod = new Map<number, Grouped>()
  for (const entry of entries) {
    const period = periodOf(entry.at.period, calendar)
    const key = countOf(period)
    const known = byPeriod.get(key)
    if (known) known.entries.push(entry)
    else byPeriod.set(key, { period, entries: [entry] })
  }
  return byPeriod
}

/** The values of a period in the order of time. */
export function inOrder(entries: Grouped['entries']): Value[] {
  return [...entries]
    .sort((a, b) => hourOf(a.at.period) - hourOf(b.at.period))
    .map(({ value }) => value)
}

/** Every period of some series, each once. */
export function distinct(series: readonly ValuedSeries[]): PeriodReading[] {
  const known = new Set<PeriodReading>()
  for (const { entries } of series) for (const { at } of entries) known.add(at.period)
  return [...known]
}
