import { api } from '~/api/client'
import type { Series } from '~~/core/series/series'
import { revisionOf, type Revision } from '~~/intake/update/revision'
import { seriesFromDocument } from '~~/shared/seriesSchema'
import { MOST_VALUES, type SeriesValues, type ShelfRow } from '~~/shared/api/series'

/** A kept series with what a file would change in it. */
export interface KnownSeries {
  readonly id: string
  readonly studyId: string
  readonly revision: Revision
  /** Whether most of what is kept stays as it is: else it is rather another series of that name. */
  readonly isLikely: boolean
}

/**
 * The kept series of the same names and frequencies that read ones can bring up to date.
 *
 * @param read series of a file
 * @param rows of the shelf
 * @returns by the read series; those that are new are left out
 * @throws ApiProblem when the server does not say what it keeps
 */
export async function findKnown(
  read: readonly Series[],
  rows: readonly ShelfRow[],
): Promise<Map<Series, KnownSeries>> {
  const key = (name: string, frequency: string) => `${frequency} ${name}`
  const byName = new Map<string, ShelfRow>()
  for (const row of rows) {
    const own = key(row.name, row.frequency)
    if (!byName.has(own)) byName.set(own, row)
  }
  const pairs = read.flatMap((series) => {
    const row = byName.get(key(series.name, series.calendar.frequency))
    return row ? [{ series, row }] : []
  })
  const values = await keptValues([...new Set(pairs.map(({ row }) => row.id))])
  return new Map(
    pairs.flatMap(({ series, row }) => {
      const own = values.get(row.id)
      return own ? [[series, compare(series, row, own)]] : []
    }),
  )
}

async function keptValues(ids: readonly string[]) {
  const values = new Map<string, SeriesValues['values']>()
  for (let from = 0; from < ids.length; from += MOST_VALUES) {
    const some = ids.slice(from, from + MOST_VALUES).join(',')
    const { series } = await api<{ series: SeriesValues[] }>(`/series/values?ids=${some}`)
    for (const one of series) values.set(one.id, one.values)
  }
  return values
}

function compare(series: Series, row: ShelfRow, values: SeriesValues['values']): KnownSeries {
  const { name, unit, frequency, start } = row
  const revision = revisionOf(
    seriesFromDocument({ name, unit, frequency, start, values: [...values] }),
    series,
  )
  // What a file of the last years leaves out tells nothing of whether it is the same series.
  const compared = row.periods - revision.vanished.length
  const isLikely = compared > 0 && 2 * revision.revised.length <= compared
  return { id: row.id, studyId: row.studyId, revision, isLikely }
}
