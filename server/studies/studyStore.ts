import { and, eq } from 'drizzle-orm'
import { adjustedValues } from '../../core/series/adjusted'
import type { Adjustment } from '../../core/series/series'
import type { Study, StudySave } from '../../shared/api/studies'
import { documentFromSeries } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { series as seriesTable, studies } from '../database/schema'
import { derivationOf } from '../series/derivation'
import { aboutOf, findSeries, toSeries, writeAdjustments } from '../series/storedSeries'
import { workedOf } from '../series/worked'
import { useVintage } from '../series/vintageStore'
import { keepSteps } from './deskStore'
import { raiseVersions } from './versions'

/** A study with its series; undefined when either is gone. */
export function findStudy(db: Database, id: string): Study | undefined {
  const study = db.select().from(studies).where(eq(studies.id, id)).get()
  const stored = study && findSeries(db, study.seriesId)
  if (!stored) return undefined
  const derived = derivationOf(db, stored.id)
  const worked = workedOf(db, [stored]).get(stored.id)
  return {
    id: study.id,
    seriesId: study.seriesId,
    series: documentFromSeries(toSeries(stored)),
    about: aboutOf(stored),
    vintageId: stored.vintage.id,
    source: stored.vintage.source,
    ...(derived ? { derived } : {}),
    ...(worked ? { worked } : {}),
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
 * Saves a method, and with it what belongs to the series (its adjustments, names and present values) and the
 * steps of undo, over the version it was changed from. The check and the write are one statement, so that of two saves from the same version only one goes through.
 */
export function saveStudy(
  db: Database,
  id: string,
  { method, adjustments, about, vintageId, trail, version }: StudySave,
): SaveOutcome {
  // What lies in the trash is not there: nothing is written that would be answered as gone.
  if (!findStudy(db, id)) return { kind: 'gone' }
  const changes = db.transaction((tx) => {
    const saved = tx
      .update(studies)

      .set({ method, toBegin: false, version: version + 1, updatedAt: new Date() })
      .where(and(eq(studies.id, id), eq(studies.version, version)))
      .returning({ seriesId: studies.seriesId })
      .get()
    if (!saved) return 0
    if (vintageId !== undefined) useVintage(tx, saved.seriesId, vintageId)
    if (adjustments) {
      requireFitting(db, saved.seriesId, adjustments)
      writeAdjustments(tx, saved.seriesId, adjustments)
    }
    if (about) {
      tx.update(seriesTable).set(about).where(eq(seriesTable.id, saved.seriesId)).run()
    }
    if (trail) keepSteps(tx, id, trail)
    // Another study of the series shows values, or a name, that it no longer has: its copies are stale too.
    if (adjustments || about || vintageId) raiseVersions(tx, [saved.seriesId], id)
    return 1
  })
  const study = findStudy(db, id)
  if (!study) return { kind: 'gone' }
  return changes > 0 ? { kind: 'saved', study } : { kind: 'stale', current: study }
}

/** @throws Refusal for an adjustment of a period that the series does not have; nothing is saved then */
function requireFitting(db: Database, seriesId: string, adjustments: readonly Adjustment[]): void {
  const stored = findSeries(db, seriesId)
  if (stored) adjustedValues({ ...toSeries(stored), adjustments })
}
