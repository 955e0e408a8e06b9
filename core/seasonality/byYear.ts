import type { Axis } from '../calendar/axis'
import type { Value } from '../series/series'
import type { YearOfSeasons } from './movingSeason'

/**
 * Lays a list out by cycle, the calendar year of months, season 1 to m; periods outside the list are undefined, and the
 * second of a season in a long year has no place.
 *
 * @param values one a period
 * @param axis whose time code 1 is that of the first entry
 */
export function byYear(values: readonly Value[], { periodAt, calendar }: Axis): YearOfSeasons[] {
  const years = new Map<number, Value[]>()
  values.forEach((value, i) => {
    const { cycle, season, again } = periodAt(i + 1)
    if (again) return
    const row = years.get(cycle) ?? Array<Value>(calendar.seasons).fill(null)
    row[season - 1] = value
    years.set(cycle, row)
  })
  return [...years].map(([year, row]) => ({ year, values: row }))
}
