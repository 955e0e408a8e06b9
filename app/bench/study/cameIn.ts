import { api } from '~/api/client'
import { parsePeriod } from '~~/core/calendar/codes'
import type { Series } from '~~/core/series/series'
import type { Vintage } from '~~/shared/api/series'

/** The values of a series as they came in each time, the newest first. */
export async function fetchVintages(seriesId: string): Promise<readonly Vintage[]> {
  return (await api<{ vintages: Vintage[] }>(`/series/${seriesId}/vintages`)).vintages
}

/** A series with the values of each of its vintages, by their ids. */
export function byVintage(series: Series, vintages: readonly Vintage[]): Map<string, Series> {
  return new Map(
    vintages.map(({ id, start, values }) => [
      id,
      { ...series, start: parsePeriod(start, series.calendar)!, values },
    ]),
  )
}
