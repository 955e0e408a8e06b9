import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, inArray, isNotNull, isNull, notInArray, sql } from 'drizzle-orm'
import { calendarOf, type Calendar } from '../../core/calendar/calendar'
import { formatPeriod, parsePeriod, periodAt } from '../../core/calendar/period'
import { adjustmentsWithin } from '../../core/series/adjusted'
import type { Adjustment } from '../../core/series/series'
import { Refusal } from '../../core/refusal'
import { broughtUpToDate, type BroughtUpToDate } from '../../core/series/broughtUpToDate'
import type { Series } from '../../core/series/series'
import type {
  About,
  NewSeries,
  SeriesAct,
  SeriesChange,
  SeriesUpdate,
  ShelfRow,
  TrashedSeries,
  Vintage,
} from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { adjustments, files, series, studies, vintages } from '../database/schema'
import { requireFile } from '../files/fileStore'
import { keepFirstSteps } from '../studies/deskStore'
import { startStudy } from '../studies/startStudy'
import { raiseVersions } from '../studies/versions'

/**
 * Keeps new series with their original values, each with a first study.
 *
 * @returns the ids in the order given
 * @throws Refusal for a document that describes no series; then none is kept
 */
export function keepSeries(db: Database, incoming: readonly NewSeries[]): string[] {
  const read = incoming.map((item) => ({ ...item, read: seriesFromDocument(item.series) }))
  return db.transaction((tx) =>
    read.map(({ series: document, source, fileId, read: { calendar } }) => {
      const id = randomUUID()
      const now = new Date()
      tx.insert(series)
        .values({
          id,
          name: document.name,
          unit: document.unit,
          noun: document.noun ?? '',
          frequency: document.frequency,
          seasons: calendar.seasons,
          yearStart: calendar.yearStart,
          seasonNames: document.seasonNames ?? null,
          createdAt: now,
          updatedAt: now,
        })
        .run()
      writeVintage(tx, id, { series: document, source, fileId }, now)
      writeAdjustments(tx, id, document.adjustments ?? [])
      startStudy(tx, id)
      return id
    }),
  )
}

/** Keeps values as they came in, and makes them the series' present ones. */
function writeVintage(
  db: Pick<Database, 'insert' | 'select' | 'update'>,
  seriesId: string,
  { series: { start, values }, source, fileId }: NewSeries,
  createdAt: Date,
): void {
  if (fileId !== undefined) requireFile(db, fileId)
  const id = randomUUID()
  db.insert(vintages).values({ id, seriesId, start, values, source, fileId, createdAt }).run()
  db.update(series).set({ vintageId: id }).where(eq(series.id, seriesId)).run()
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

/**
 * Brings a series up to date: the values, with those from before that they no longer have, become its newest vintage, and
 * its present one; the earlier ones stay. Copies of its studies that are open elsewhere are stale from then on.
 *
 * @returns whether there is such a series
 * @throws Refusal when the values are counted differently from the series
 */
export function addVintage(
  db: Database,
  id: string,
  { vanished = 'keep', ...incoming }: NewSeries & Partial<Pick<SeriesUpdate, 'vanished'>>,
): boolean {
  const stored = findSeries(db, id)
  if (!stored) return false
  const now = seriesFromDocument(incoming.series)
  const { calendar } = now
  if (calendar.frequency !== stored.frequency || calendar.seasons !== stored.seasons) {
    throw new Refusal(
      `The series is ${stored.frequency}, and the new values are ${calendar.frequency}.`,
      'series.frequency',
    )
  }
  const merged =
    vanished === 'drop'
      ? null
      : broughtUpToDate({ ...toSeries(stored), values: stored.vintage.values }, now)
  db.transaction((tx) => {
    const at = new Date()
    keepFirstSteps(tx, id, {
      adjustments: [...(toSeries(stored).adjustments ?? [])],
      about: aboutOf(stored),
      vintageId: stored.vintage.id,
    })
    writeVintage(tx, id, merged ? withOlder(incoming, merged, calendar) : incoming, at)
    tx.update(series).set({ updatedAt: at }).where(eq(series.id, id)).run()
    raiseVersions(tx, [id])
  })
  return true
}

/** What came in with what was carried over, and how much that was. */
function withOlder(
  { series: document, source, fileId }: NewSeries,
  { start, values, carriedOver }: BroughtUpToDate,
  calendar: Calendar,
): NewSeries {
  return {
    series: { ...document, start: formatPeriod(start, calendar), values: [...values] },
    source: { ...source, ...(carriedOver > 0 ? { carriedOver } : {}) },
    fileId,
  }
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
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .where(and(eq(series.id, id), isNull(series.deletedAt)))
    .get()
  return row && { ...row.series, vintage: row.vintages, adjustments: adjustmentsOf(db, id) }
}

/** What a stored series is called, counted in and filed under. */
export function aboutOf({ name, unit, noun, group, notes }: StoredSeries): About {
  return { name, unit, noun, group, notes }
}

/** The core's series behind a stored row. */
export function toSeries(stored: StoredSeries): Series {
  const { frequency, seasons, yearStart, seasonNames } = stored
  const calendar = calendarOf(frequency, {
    ...{ seasons, yearStart },
    ...(seasonNames ? { seasonNames } : {}),
  })
  const series = {
    name: stored.name,
    unit: stored.unit,
    noun: stored.noun,
    calendar,
    start: parsePeriod(stored.vintage.start, calendar)!,
    values: stored.vintage.values,
  }
  return { ...series, adjustments: adjustmentsWithin(series, stored.adjustments) }
}

/** All series that are not in the trash, by name. */
export function listShelf(db: Database): ShelfRow[] {
  const rows = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .innerJoin(studies, eq(studies.seriesId, series.id))
    .where(isNull(series.deletedAt))
    .orderBy(series.name)
    .all()
  return rows.map((row) =>
    shelfRow({ ...row.series, vintage: row.vintages, adjustments: [] }, row.studies.id),
  )
}

/** Renames a series or states its unit; copies of its studies that are open elsewhere are stale from then on. Undefined when there is no such series. */
export function changeSeries(
  db: Database,
  id: string,
  change: SeriesChange,
): StoredSeries | undefined {
  db.transaction((tx) => {
    const { changes } = tx
      .update(series)
      .set({ ...change, updatedAt: new Date() })
      .where(and(eq(series.id, id), isNull(series.deletedAt)))
      .run()
    if (changes > 0) raiseVersions(tx, [id])
  })
  return findSeries(db, id)
}

/**
 * Does the same to several series: all of them, or none.
 *
 * @returns how many there were; what is not there, or is there already, is passed over
 */
export function actOnSeries(db: Database, { ids, ...what }: SeriesAct): number {
  if (what.act === 'erase') return eraseSeries(db, ids)
  const now = new Date()
  const change =
    what.act === 'group'
      ? { group: what.group, updatedAt: now }
      : { deletedAt: what.act === 'discard' ? now : null }
  const isInTrash = what.act === 'restore' ? isNotNull(series.deletedAt) : isNull(series.deletedAt)
  return db.transaction((tx) =>
    ids.reduce((count, id) => {
      const { changes } = tx
        .update(series)
        .set(change)
        .where(and(eq(series.id, id), isInTrash))
        .run()
      if (changes > 0 && what.act === 'group') raiseVersions(tx, [id])
      return count + changes
    }, 0),
  )
}

/** Deletes series that lie in the trash for good, with their values, studies, and files that no other series came from. */
function eraseSeries(db: Database, ids: readonly string[]): number {
  return db.transaction((tx) => {
    const own = tx
      .select({ id: series.id })
      .from(series)
      .where(and(inArray(series.id, [...ids]), isNotNull(series.deletedAt)))
      .all()
      .map(({ id }) => id)
    if (own.length === 0) return 0
    for (const table of [studies, adjustments, vintages]) {
      tx.delete(table).where(inArray(table.seriesId, own)).run()
    }
    tx.delete(series).where(inArray(series.id, own)).run()
    const used = tx.select({ id: vintages.fileId }).from(vintages).where(isNotNull(vintages.fileId))
    tx.delete(files).where(notInArray(files.id, used)).run()
    return own.length
  })
}

/** What lies in the trash, the newest first. */
export function listTrash(db: Database): TrashedSeries[] {
  return db
    .select({ id: series.id, name: series.name, group: series.group, deletedAt: series.deletedAt })
    .from(series)
    .where(isNotNull(series.deletedAt))
    .orderBy(desc(series.deletedAt))
    .all()
    .map((row) => ({ ...row, deletedAt: row.deletedAt!.toISOString() }))
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
