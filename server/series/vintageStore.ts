import { randomUUID } from 'node:crypto'
import { and, desc, eq, sql } from 'drizzle-orm'
import { Refusal } from '../../core/refusal'
import type { NewSeries, Vintage } from '../../shared/api/series'
import type { Database } from '../database/open'
import { series, vintages } from '../database/schema'
import { summaryOf } from './valuesSummary'
import { findSeries } from './storedSeries'

/** Values as they came in, as a row to be kept. */
export function newVintage(
  seriesId: string,
  { series: { start, values }, source, fileId }: NewSeries,
  seasons: number,
  createdAt: Date,
): typeof vintages.$inferInsert & { readonly id: string } {
  const summary = summaryOf(values, seasons)
  return {
    id: randomUUID(),
    seriesId,
    start,
    values,
    summary,
    source,
    fileId: fileId ?? null,
    createdAt,
  }
}

/**
 * Makes values that a series has had its present ones.
 *
 * @throws Refusal when the series never had such values
 */
export function useVintage(
  db: Pick<Database, 'select' | 'update'>,
  seriesId: string,
  vintageId: string,
): void {
  const own = db
    .select({ id: vintages.id })
    .from(vintages)
    .where(and(eq(vintages.id, vintageId), eq(vintages.seriesId, seriesId)))
    .get()
  if (!own) throw new Refusal('The series never had these values.', 'vintageId')
  db.update(series).set({ vintageId, updatedAt: new Date() }).where(eq(series.id, seriesId)).run()
}

/** Every vintage of a series, the newest first; undefined when there is no such series. */
export function listVintages(db: Database, id: string): Vintage[] | undefined {
  if (!findSeries(db, id)) return undefined
  return db
    .select()
    .from(vintages)
    .where(eq(vintages.seriesId, id))
    .orderBy(desc(vintages.createdAt), desc(sql`rowid`))
    .all()
    .map(({ id: vintageId, start, values, source, fileId, createdAt }) => ({
      id: vintageId,
      start,
      values,
      source,
      fileId,
      createdAt: createdAt.toISOString(),
    }))
}
