import type { KeptRow } from '~~/shared/api/kept'
import { fetchKept } from './keptApi'
import { recordOf } from './record'

/**
 * How kept forecasts did, once newer values have come: of one in its own words, of several how many need a new look.
 *
 * @param seriesIds that were brought up to date
 * @returns null where nothing of them is kept; news that cannot be had are no loss that should be told of
 */
export async function newsOfKept(seriesIds: readonly string[]): Promise<string | null> {
  if (seriesIds.length === 0) return null
  const updated = new Set(seriesIds)
  const all = await fetchKept(seriesIds.length === 1 ? seriesIds[0] : undefined).catch(() => [])
  const rows = all.filter(({ seriesId, judged }) => updated.has(seriesId) && judged.came > 0)
  return rows.length === 0 ? null : newsOf(rows)
}

function newsOf(rows: readonly KeptRow[]): string {
  const [only] = rows
  if (rows.length === 1) return `“${only!.name}”: ${recordOf(only!).line}.`
  const needing = rows.filter(({ judged }) => judged.need !== null).length
  const look = needing === 0 ? 'none needs a new look' : `${needing} to look at again`
  const worst = recordOf(only!)
  return `${rows.length} kept forecasts have been judged, ${look}; the worst, “${only!.name}”: ${worst.line}.`
}
