import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import { calendarOf } from '../../core/calendar/calendar'
import { formatPeriod, parsePeriod, periodAt } from '../../core/calendar/period'
import type { Adjustment } from '../../core/care/adjustment'
import type { Series } from '../../core/series'
import type { NewSeries, SeriesChange, ShelfRow } from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { adjustments, series, studies, vintages } from '../database/schema'
import { startStudy } from '../studies/studyStore'

/**
 * Keeps new series with their original values, each with a first study.
 *
 * @returns the ids in the order given
 * @throws Refusal for a document that describes no series; then none is kept
 */
export function keepSeries(db: Database, incoming: readonly NewSeries[]): string[] {
  const read = incoming.map((item) => ({ ...item, read: seriesFromDocument(item.series) }))
  return db.transaction((tx) =>
    read.map(({ series: document, source, read: { calendar } }) => {
      const id = randomUUID()
      const now = new Date()
      tx.insert(series)
        .values({
          id,
          name: document.name,
          unit: document.unit,
          frequency: document.frequency,
          seasons: calendar.seasons,
          yearStart: calendar.yearStart,
          createdAt: now,
          updatedAt: now,
        })
        .run()
      tx.insert(vintages)
        .values({
          id: randomUUID(),
          seriesId: id,
          start: document.start,
          values: document.values,
          source,
          createdAt: now,
        })
        .run()
      writeAdjustments(tx, id, document.adjustments ?? [])
      startStudy(tx, id)
      return id
    }),
  )
}

/** A stored row of a series with its newest values and what was adjusted since. */
export type StoredSeries = typeof series.$inferSelect & {
  readonly vintage: typeof vintages.$inferSelect
  readonly adjustments: readonly Adjustment[]
}

/** Lays down the adjustments of a series: those that are not in the list are taken back. */
export function writeAdjustments(
  db: Pick<Database, 'insert' | 'delete'>,
  seriesId: string,
  wanted: readonly Adjustment[],
): void {
  db.delete(adjustments).where(eq(adjustments.seriesId, seriesId)).run()
  const createdAt = new Date()
  for (const { period, value, reason } of wanted) {
    db.insert(adjustments).values({ seriesId, period, value, reason, createdAt }).run()
  }
}

function adjustmentsOf(db: Database, seriesId: string): Adjustment[] {
  return db
    .select({
      period: adjustments.period,
      value: adjustments.value,
      reason: adjustments.reason,
    })
    .from(adjustments)
    .where(eq(adjustments.seriesId, seriesId))
    .orderBy(asc(adjustments.period))
    .all()
}

/** A series that is not in the trash, or undefined. */
export function findSeries(db: Database, id: string): StoredSeries | undefined {
  const row = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.seriesId, series.id))
    .where(and(eq(series.id, id), isNull(series.deletedAt)))
    .orderBy(desc(vintages.createdAt))
    .limit(1)
    .get()
  return row && { ...row.series, vintage: row.vintages, adjustments: adjustmentsOf(db, id) }
}

/** The core's series behind a stored row. */
export function toSeries(stored: StoredSeries): Series {
  const calendar = calendarOf(stored.frequency, stored)
  return {
    name: stored.name,
    unit: stored.unit,
    calendar,
    start: parsePeriod(stored.vintage.start, calendar)!,
    values: stored.vintage.values,
    adjustments: stored.adjustments,
  }
}

/** All series that are not in the trash, by name. */
export function listShelf(db: Database): ShelfRow[] {
  const rows = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.seriesId, series.id))
    .innerJoin(studies, eq(studies.seriesId, series.id))
    .where(isNull(series.deletedAt))
    .orderBy(series.name)
    .all()
  return rows.map((row) =>
    shelfRow({ ...row.series, vintage: row.vintages, adjustments: [] }, row.studies.id),
  )
}

/** Renames a series or states its unit; undefined when there is no such series. */
export function changeSeries(
  db: Database,
  id: string,
  change: SeriesChange,
): StoredSeries | undefined {
  db.update(series)
    .set({ ...change, updatedAt: new Date() })
    .where(and(eq(series.id, id), isNull(series.deletedAt)))
    .run()
  return findSeries(db, id)
}

/** Puts a series into the trash, from where {@link restoreSeries} brings it back. */
export function discardSeries(db: Database, id: string): boolean {
  const { changes } = db
    .update(series)
    .set({ deletedAt: new Date() })
    .where(and(eq(series.id, id), isNull(series.deletedAt)))
    .run()
  return changes > 0
}

/** Takes a series out of the trash again. */
export function restoreSeries(db: Database, id: string): boolean {
  const { changes } = db
    .update(series)
    .set({ deletedAt: null })
    .where(and(eq(series.id, id), isNotNull(series.deletedAt)))
    .run()
  return changes > 0
}

function shelfRow(stored: StoredSeries, studyId: string): ShelfRow {
  const { calendar, start, values } = toSeries(stored)
  const code = (t: number) => formatPeriod(periodAt(start, t, calendar.seasons), calendar)
  const last = values.findLastIndex((value) => value !== null)
  return {
    id: stored.id,
    studyId,
    name: stored.name,
    unit: stored.unit,
    group: stored.group,
    notes: stored.notes,
    frequency: stored.frequency,
    seasons: stored.seasons,
    start: code(1),
    end: code(values.length),
    periods: values.length,
    missing: values.filter((value) => value === null).length,
    values: [...values],
    last:
      last < 0
        ? null
        : {
            period: code(last + 1),
            value: values[last]!,
            yearBefore: values[last - calendar.seasons] ?? null,
          },
    createdAt: stored.createdAt.toISOString(),
  }
}
