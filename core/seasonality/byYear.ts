import { periodAt, type Period } from '../calendar/period'
import type { Value } from '../series/series'
import type { YearOfSeasons } from './movingSeason'

/**
 * Lays a list out by calendar year, season 1 to m; periods outside the list are undefined.
 *
 * @param values one a period
 * @param first the period of the first entry
 * @param seasons m
 */
export function byYear(values: readonly Value[], first: Period, seasons: number): YearOfSeasons[] {
  const years = new Map<number, Value[]>()
  values.forEach((value, i) => {
    const { year, season } = periodAt(first, i + 1, seasons)
    const row = years.get(year) ?? Array<Value>(seasons).fill(null)
    row[season - 1] = value
    years.set(year, row)
  })
  return [...years].map(([year, row]) => ({ year, values: row }))
}
