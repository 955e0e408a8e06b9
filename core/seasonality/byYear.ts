import type { Axis } from '../calendar/axis'
import type { Value } from '../series/series'
import type { YearOfSeasons } from './movingSeason'

/**
 * Lays a list out by calendar year, season 1 to m; periods outside the list are undefined.
 *
 * @param values one a period
 * @param axis whose time code 1 is that of the first entry
 */
export function byYear(values: readonly Value[], { periodAt, calendar }: Axis): YearOfSeasons[] {
  const years = new Map<number, Value[]>()
  values.forEach((value, i) => {
    const { year, season } = periodAt(i + 1)
    const row = years.get(year) ?? Array<Value>(calendar.seasons).fill(null)
    row[season - 1] = value
    years.set(year, row)
  })
  return [...years].map(([year, row]) => ({ year, values: row }))
}
