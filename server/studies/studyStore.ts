import { randomUUID } from 'node:crypto'
import { and, eq } from 'drizzle-orm'
import { METHOD_FORMAT } from '../../core/method/method'
import type { Study, StudySave } from '../../shared/api/studies'
import { documentFromSeries } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { studies } from '../database/schema'
import { findSeries, toSeries } from '../series/seriesStore'

/** Starts a study of a series with the default method. */
export function startStudy(db: Pick<Database, 'insert'>, seriesId: string): string {
  const id = randomUUID()
  const now = new Date()
  db.insert(studies)
    .values({
      id,
      seriesId,
      method: { format: METHOD_FORMAT },
      version: 1,
      createdAt: now,
      updatedAt: now,
    })
    .run()
  return id
}

/** A study with its series; undefined when either is gone. */
export function findStudy(db: Database, id: string): Study | undefined {
  const study = db.select().from(studies).where(eq(studies.id, id)).get()
  const stored = study && findSeries(db, study.seriesId)
  if (!stored) return undefined
  return {
    id: study.id,
    seriesId: study.seriesId,
    series: documentFromSeries(toSeries(stored)),
    source: stored.vintage.source,
    method: study.method as Study['method'],
    version: study.version,
    updatedAt: study.updatedAt.toISOString(),
  }
}

/** How a save went: kept under a new version, or started from a copy that is no longer the newest. */
export type SaveOutcome =
  | { readonly kind: 'saved'; readonly study: Study }
  | { readonly kind: 'stale'; readonly current: Study }
  | { readonly kind: 'gone' }

/**
 * Saves a method over the version it was changed from. The check and the write are one statement,
 * so that of two saves from the same version only one goes through.
 */
export function saveStudy(db: Database, id: string, { method, version }: StudySave): SaveOutcome {
  const { changes } = db
    .update(studies)
    .set({ method, version: version + 1, updatedAt: new Date() })
    .where(and(eq(studies.id, id), eq(studies.version, version)))
    .run()
  const study = findStudy(db, id)
  if (!study) return { kind: 'gone' }
  return changes > 0 ? { kind: 'saved', study } : { kind: 'stale', current: study }
}
