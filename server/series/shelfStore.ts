import { randomUUID } from 'node:crypto'
import { and, desc, eq, inArray, isNotNull, isNull, notInArray } from 'drizzle-orm'
import { formatPeriod, periodAt } from '../../core/calendar/period'
import { METHOD_FORMAT, type MethodDocument } from '../../core/method'
import type {
  NewSeries,
  SeriesAct,
  SeriesChange,
  ShelfRow,
  TrashedSeries,
} from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { adjustments, files, series, studies, vintages } from '../database/schema'
import { startStudy } from '../studies/startStudy'
import { raiseVersions } from '../studies/versions'
import { findSeries, toSeries, writeAdjustments, type StoredSeries } from './storedSeries'
import { writeVintage } from './vintageStore'

/**
 * Keeps new series with their original values, each with a first study.
 *
 * @param methods that the studies begin with, in the same order, the smallest document where there is none; or that they are to be
 *   found later
 * @returns the ids in the order given
 * @throws Refusal for a document that describes no series; then none is kept
 */
export function keepSeries(
  db: Database,
  incoming: readonly NewSeries[],
  methods: readonly MethodDocument[] | 'later' = [],
): string[] {
  const read = incoming.map((item) => ({ ...item, read: seriesFromDocument(item.series) }))
  return db.transaction((tx) =>
    read.map(({ series: document, source, fileId, read: { calendar } }, i) => {
      const id = randomUUID()
      const now = new Date()
      tx.insert(series)
        .values({
          id,
          name: document.name,
          unit: document.unit,
          noun: document.noun ?? '',
          quantity: document.quantity ?? 'flow',
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
      const method = methods === 'later' ? undefined : methods[i]
      startStudy(tx, id, method ?? { format: METHOD_FORMAT }, methods === 'later')
      return id
    }),
  )
}

/**
 * Series that are not in the trash, by name.
 *
 * @param ids of those that are wanted, in their order; all when left out
 */
export function listShelf(db: Database, ids?: readonly string[]): ShelfRow[] {
  const rows = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .innerJoin(studies, eq(studies.seriesId, series.id))
    .where(and(isNull(series.deletedAt), ids && inArray(series.id, [...ids])))
    .orderBy(series.name)
    .all()
  const listed = rows.map((row) =>
    shelfRow({ ...row.series, vintage: row.vintages, adjustments: [] }, row.studies.id),
  )
  if (!ids) return listed
  const byId = new Map(listed.map((row) => [row.id, row]))
  return ids.flatMap((id) => byId.get(id) ?? [])
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
    ...(stored.seasonNames ? { seasonNames: stored.seasonNames } : {}),
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
