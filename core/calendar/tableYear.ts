import type { Calendar } from './calendar'
import type { Period } from './period'
import { rhythmOf } from './rhythms'

/**
 * The cycle whose table row a period stands in: the calendar year in which that year ends, so
 * that with a year starting in July, September 2018 belongs to 2019.
 */
export function tableYear(period: Period, calendar: Calendar): number {
  return calendar.yearStart > 1 && period.season >= calendar.yearStart
    ? period.cycle + 1
    : period.cycle
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

/** A column of a table with a cycle a row. */
export interface TableColumn {
  readonly season: number
  readonly label: string
}

/** The columns of a table: the seasons in their order, and last the one that comes twice in a long year. */
export function tableColumns(calendar: Calendar): TableColumn[] {
  const { seasonLabel, again } = rhythmOf(calendar)
  const columns = seasonOrder(calendar).map((season) => ({ season, label: seasonLabel(season) }))
  return again ? [...columns, again] : columns
}

/** Where a period stands among those columns, from 0. */
export function tableColumn({ season, again }: Period, calendar: Calendar): number {
  return again ? calendar.seasons : seasonColumn(season, calendar)
}
