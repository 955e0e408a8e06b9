import { randomUUID } from 'node:crypto'
import { and, desc, eq, isNotNull, isNull, notInArray } from 'drizzle-orm'
import { METHOD_FORMAT, type MethodDocument } from '../../core/method'
import type { NewSeries, SeriesAct, SeriesChange, TrashedSeries } from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import { among } from '../database/among'
import { insertAll } from '../database/insertAll'
import type { Database } from '../database/open'
import {
  adjustments,
  agreedForecasts,
  derivedSeries,
  files,
  keptForecasts,
  series,
  studies,
  vintages,
} from '../database/schema'
import { requireFile } from '../files/fileStore'
import { newStudy } from '../studies/newStudy'
import { raiseVersions } from '../studies/versions'
import { findSeries, writeAdjustments, type StoredSeries } from '../series/storedSeries'
import { newVintage } from '../series/vintageStore'

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
  const now = new Date()
  const kept = incoming.map(({ series: document, source, fileId }, i) => {
    const { calendar } = seriesFromDocument(document)
    const id = randomUUID()
    const vintage = newVintage(id, { series: document, source, fileId }, calendar.seasons, now)
    const row: typeof series.$inferInsert = {
      id,
      name: document.name,
      unit: document.unit,
      noun: document.noun ?? '',
      quantity: document.quantity ?? 'flow',
      frequency: document.frequency,
      seasons: calendar.seasons,
      yearStart: calendar.yearStart,
      seasonNames: document.seasonNames ?? null,
      vintageId: vintage.id,
      createdAt: now,
      updatedAt: now,
    }
    const method = methods === 'later' ? undefined : methods[i]
    return {
      ...{ id, row, vintage, adjustments: document.adjustments ?? [] },
      study: newStudy(id, method ?? { format: METHOD_FORMAT }, methods === 'later', now),
    }
  })
  const fileIds = new Set(incoming.flatMap(({ fileId }) => fileId ?? []))
  db.transaction((tx) => {
    for (const fileId of fileIds) requireFile(tx, fileId)
    insertAll(
      tx,
      series,
      kept.map(({ row }) => row),
    )
    insertAll(
      tx,
      vintages,
      kept.map(({ vintage }) => vintage),
    )
    insertAll(
      tx,
      studies,
      kept.map(({ study }) => study),
    )
    for (const { id, adjustments: own } of kept) {
      if (own.length > 0) writeAdjustments(tx, id, own)
    }
  })
  return kept.map(({ id }) => id)
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
  const meant = and(among(series.id, ids), isInTrash)
  return db.transaction((tx) => {
    const own = tx
      .select({ id: series.id })
      .from(series)
      .where(meant)
      .all()
      .map(({ id }) => id)
    tx.update(series).set(change).where(meant).run()
    if (what.act === 'group') raiseVersions(tx, own)
    return own.length
  })
}

/** Deletes series that lie in the trash for good, with their values, studies, and files that no other series came from. */
function eraseSeries(db: Database, ids: readonly string[]): number {
  return db.transaction((tx) => {
    const own = tx
      .select({ id: series.id })
      .from(series)
      .where(and(among(series.id, ids), isNotNull(series.deletedAt)))
      .all()
      .map(({ id }) => id)
    if (own.length === 0) return 0
    // What is calculated from them stays as it is, and stands alone.
    tx.update(derivedSeries).set({ fromId: null }).where(among(derivedSeries.fromId, own)).run()
    // What refers to others goes before them.
    for (const table of [
      ...[agreedForecasts, keptForecasts, derivedSeries],
      ...[studies, adjustments, vintages],
    ]) {
      tx.delete(table).where(among(table.seriesId, own)).run()
    }
    tx.delete(series).where(among(series.id, own)).run()
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
