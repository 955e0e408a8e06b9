import { and, ne, sql } from 'drizzle-orm'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { studies } from '../database/schema'

/**
 * Raises the version of every study of some series: what they show has changed, and copies that are open elsewhere are
 * stale from now on.
 *
 * @param but a study that has its new version already
 */
export function raiseVersions(
  db: Pick<Database, 'update'>,
  seriesIds: readonly string[],
  but?: string,
): void {
  const ofSeries = among(studies.seriesId, seriesIds)
  db.update(studies)
    .set({ version: sql`${studies.version} + 1` })
    .where(but === undefined ? ofSeries : and(ofSeries, ne(studies.id, but)))
    .run()
}
