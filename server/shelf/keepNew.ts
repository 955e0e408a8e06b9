import type { NewSeriesList } from '../../shared/api/series'
import { withWriter } from '../database/writer'
import { beginningsOf } from '../studies/beginnings'
import { shelfRows } from '../series/shelfRows'
import { keepSeries } from './shelfStore'

/** What new series became: the answer, and which of them wait for their method. */
export interface KeptNew {
  /** Their rows of the shelf, JSON. */
  readonly bytes: Uint8Array
  readonly toBegin: readonly string[]
  readonly ids: readonly string[]
}

/**
 * Keeps new series, all or none; few are begun by rule at once.
 *
 * @param path of the database
 */
export function keepNew(path: string, { series }: NewSeriesList): KeptNew {
  const methods = beginningsOf(series)
  return withWriter(path, (db) => {
    const ids = keepSeries(db, series, methods)
    const bytes = Buffer.from(JSON.stringify({ series: shelfRows(db, ids) }))
    return { bytes, ids, toBegin: methods === 'later' ? ids : [] }
  })
}
