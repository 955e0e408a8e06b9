import { and, asc, count, eq, gt, max } from 'drizzle-orm'
import type { MethodDocument } from '../../core/method'
import type { NewStudy, StudyTab } from '../../shared/api/studies'
import type { Database } from '../database/open'
import { studies } from '../database/schema'
import { findSeries } from '../series/storedSeries'
import { newStudy } from './newStudy'

/** Studies that a series has at the most: tabs of one line. */
export const MOST_STUDIES = 12

/** The studies of a series in the order of their tabs; undefined where there is no such series. */
export function listStudies(db: Database, seriesId: string): StudyTab[] | undefined {
  if (!findSeries(db, seriesId)) return undefined
  return db
    .select({ id: studies.id, name: studies.name, place: studies.place, method: studies.method })
    .from(studies)
    .where(eq(studies.seriesId, seriesId))
    .orderBy(asc(studies.place))
    .all()
    .map(({ place, method, ...tab }) => ({
      ...tab,
      method: method as StudyTab['method'],
      opensFirst: place === 0,
    }))
}

/** How adding a study went. */
export type AddOutcome =
  | { readonly kind: 'added'; readonly id: string }
  | { readonly kind: 'gone' }
  | { readonly kind: 'full' }

/** Adds a study to a series, behind those that it has. */
export function addStudy(db: Database, seriesId: string, { name, method }: NewStudy): AddOutcome {
  return db.transaction((tx): AddOutcome => {
    if (!findSeries(db, seriesId)) return { kind: 'gone' }
    const own = eq(studies.seriesId, seriesId)
    const counted = tx
      .select({ all: count(), last: max(studies.place) })
      .from(studies)
      .where(own)
      .get()
    if ((counted?.all ?? 0) >= MOST_STUDIES) return { kind: 'full' }
    const row = newStudy(seriesId, method as MethodDocument, false, new Date())
    const place = (counted?.last ?? -1) + 1
    tx.insert(studies)
      .values({ ...row, name, place })
      .run()
    return { kind: 'added', id: row.id }
  })
}

/** Gives a study another name. @returns false where there is no such study */
export function renameStudy(db: Database, id: string, name: string): boolean {
  return db.update(studies).set({ name }).where(eq(studies.id, id)).run().changes > 0
}

/** Deletes a study, with its steps and views; the one that opens with its series stays. @returns false where nothing was deleted */
export function deleteStudy(db: Database, id: string): boolean {
  return (
    db
      .delete(studies)
      .where(and(eq(studies.id, id), gt(studies.place, 0)))
      .run().changes > 0
  )
}
