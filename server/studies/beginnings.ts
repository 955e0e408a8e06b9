import { and, eq } from 'drizzle-orm'
import { begin } from '../../core/begin'
import type { MethodDocument } from '../../core/method'
import type { NewSeries } from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { studies } from '../database/schema'
import { findSeries, toSeries } from '../series/storedSeries'

/** Periods in all up to which looking takes less time than a page takes to open the first of them. */
const SHORT = 600

/**
 * The methods that new series begin with, where they are short; many are kept first, and looked at afterwards.
 *
 * @returns in the same order, or that they are to be found later
 */
export function beginningsOf(incoming: readonly NewSeries[]): readonly MethodDocument[] | 'later' {
  const periods = incoming.reduce((sum, { series }) => sum + series.values.length, 0)
  return periods > SHORT
    ? 'later'
    : incoming.map(({ series }) => begin(seriesFromDocument(series)).method)
}

/** A study that waited for its method, and the one that was found. */
export interface FoundBeginning {
  readonly studyId: string
  readonly method: MethodDocument
}

/**
 * Finds the methods of studies that wait for one.
 *
 * @param seriesIds of kept series; those whose studies have a method are passed over
 */
export function findBeginnings(db: Database, seriesIds: readonly string[]): FoundBeginning[] {
  return db
    .select({ studyId: studies.id, seriesId: studies.seriesId })
    .from(studies)
    .where(and(among(studies.seriesId, seriesIds), eq(studies.toBegin, true)))
    .all()
    .flatMap(({ studyId, seriesId }) => {
      const stored = findSeries(db, seriesId)
      return stored ? [{ studyId, method: begin(toSeries(stored)).method }] : []
    })
}

/** Keeps methods that were found; who saved one of their own in the meantime keeps that. */
export function keepBeginnings(db: Database, found: readonly FoundBeginning[]): void {
  for (const { studyId, method } of found) {
    db.update(studies)
      .set({ method, toBegin: false })
      .where(and(eq(studies.id, studyId), eq(studies.toBegin, true)))
      .run()
  }
}
