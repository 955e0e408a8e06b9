import type { Calendar } from '../../core/calendar/calendar'
import { addPeriods, type Period } from '../../core/calendar/period'
import type { ValuedSeries } from '../numbers/readValues'
import { dayOf, periodOf, type RowFrequency } from './commonCalendar'
import { distinct } from './grouped'

/**
 * The first and last period when rows do not reach their ends. Rows may be as far from an end as they
 * usually are from each other.
 */
export function incompleteEnds(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  rows: RowFrequency,
) {
  const days = [...new Set(distinct(series).map(dayOf))].sort((a, b) => a - b)
  const first = distinct(series).find((reading) => dayOf(reading) === days[0])!
  const last = distinct(series).find((reading) => dayOf(reading) === days.at(-1))!
  const firstPeriod = periodOf(first, calendar)
  const lastPeriod = periodOf(last, calendar)
  const startOf = ({ year, season }: Period) =>
    Date.UTC(year, (season - 1) * (12 / calendar.seasons), 1) / 86_400_000
  const endOf = (period: Period) => startOf(addPeriods(period, 1, calendar.seasons)) - 1
  const reach = usualStep(days, rows)
  return {
    first: days[0]! - startOf(firstPeriod) >= reach ? firstPeriod : null,
    last: endOf(lastPeriod) - days.at(-1)! >= reach ? lastPeriod : null,
  }
}

/** Days that rows are apart at most, but for one gap in twenty; months count by their own length. */
function usualStep(days: readonly number[], rows: RowFrequency): number {
  if (rows === 'weekly') return 7
  const steps = days
    .slice(1)
    .map((day, i) => day - days[i]!)
    .sort((a, b) => a - b)
  const usual = steps[Math.floor(steps.length * 0.95)] ?? 1
  return rows === 'daily' ? Math.max(1, usual) : usual + 1
}
