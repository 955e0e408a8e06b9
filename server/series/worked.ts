import { offWords } from '../../core/check/words'
import type { Worked } from '../../shared/api/catalogue'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { catalogueRows } from '../database/schema'

/**
 * What came of series when they were last worked through, by their ids.
 *
 * @param rows of the shelf
 */
export function workedOf(
  db: Database,
  rows: readonly { readonly id: string; readonly unit: string }[],
): Map<string, Worked> {
  const stored = db
    .select({
      seriesId: catalogueRows.seriesId,
      row: catalogueRows.row,
      seen: catalogueRows.seen,
      seenNote: catalogueRows.seenNote,
      against: catalogueRows.against,
    })
    .from(catalogueRows)
    .where(
      among(
        catalogueRows.seriesId,
        rows.map(({ id }) => id),
      ),
    )
    .all()
  const units = new Map(rows.map(({ id, unit }) => [id, unit]))
  return new Map(
    stored.map(({ seriesId, row, seen, seenNote, against }): [string, Worked] => {
      const isSeen = row.attention.every(({ text }) => seen?.includes(text))
      const off = row.off && offWords(row.off, units.get(seriesId) ?? '')
      const other = row.benchmark
        ? `; ${row.benchmark.says} ${offWords(row.benchmark.off, units.get(seriesId) ?? '')}`
        : ''
      return [
        seriesId,
        {
          attention: [...row.attention],
          seen: seen && isSeen && row.attention.length > 0 ? { note: seenNote } : null,
          method: row.method,
          off: off && `off by ${off}${other}`,
          offBy: row.off?.in === 'percent' ? row.off.by : null,
          benchmarkBy: row.benchmark?.off.in === 'percent' ? row.benchmark.off.by : null,
          ahead: row.ahead?.forecast ?? null,
          change: row.ahead?.change ?? null,
          against,
        },
      ]
    }),
  )
}
