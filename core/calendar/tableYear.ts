import type { Calendar } from './calendar'
import type { Period } from './period'

/**
 * The year whose table row a period stands in: the calendar year in which that year ends, so
 * that with a year starting in July, September 2018 belongs to 2019.
 */
export function tableYear(period: Period, calendar: Calendar): number {
  return calendar.yearStart > 1 && period.season >= calendar.yearStart
    ? period.year + 1
    : period.year
}

/**
 * The seasons in the order of the table's columns.
 *
 * @example seasonOrder(calendarOf('quarterly', { yearStart: 3 })) // [3, 4, 1, 2]
 */
export function seasonOrder(calendar: Calendar): number[] {
  return Array.from(
    { length: calendar.seasons },
    (_, i) => ((calendar.yearStart - 1 + i) % calendar.seasons) + 1,
  )
}

/** Where a season stands in the table's columns, from 0. */
export function seasonColumn(season: number, calendar: Calendar): number {
  return (season - calendar.yearStart + calendar.seasons) % calendar.seasons
}
