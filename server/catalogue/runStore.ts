import { and, count, desc, eq, isNull, sql } from 'drizzle-orm'
import { parsePeriod } from '../../core/calendar/codes'
import { periodsBehind } from '../../core/catalogue/behind'
import type { BeginRun, RunState, RunTask } from '../../shared/api/catalogue'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { catalogueLeft, catalogueRows, catalogueRuns, series, vintages } from '../database/schema'
import { insertAll } from '../database/insertAll'
import { calendarOfRow } from '../series/storedSeries'

type StoredRun = typeof catalogueRuns.$inferSelect

/** The run that is going on, or was the last to; with how many series it has still to do. */
export function lastRun(db: Database): (StoredRun & { readonly left: number }) | undefined {
  const run = db.select().from(catalogueRuns).orderBy(desc(catalogueRuns.id)).limit(1).get()
  if (!run) return undefined
  const [counted] = db
    .select({ left: count() })
    .from(catalogueLeft)
    .where(eq(catalogueLeft.runId, run.id))
    .all()
  return { ...run, left: counted!.left }
}

/** What the last run was asked that worked series through; undefined where there was none. */
export function lastWork(db: Database): Extract<RunTask, { kind: 'work' }> | undefined {
  const run = db
    .select({ task: catalogueRuns.task })
    .from(catalogueRuns)
    .where(eq(sql`json_extract(${catalogueRuns.task}, '$.kind')`, 'work'))
    .orderBy(desc(catalogueRuns.id))
    .limit(1)
    .get()
  return run?.task.kind === 'work' ? run.task : undefined
}

/**
 * Writes down a run over series of the shelf, all where none are named; one that was before is over then.
 *
 * @returns its id; null where none of the series is there
 */
export function writeRun(db: Database, { task, ids }: BeginRun): number | null {
  return db.transaction((tx) => {
    const those = toDo(tx as Database, ids)
    if (those.length === 0) return null
    const [run] = tx
      .insert(catalogueRuns)
      .values({ state: 'running', task, of: those.length, createdAt: new Date() })
      .returning({ id: catalogueRuns.id })
      .all()
    insertAll(
      tx as Database,
      catalogueLeft,
      those.map((one) => ({ runId: run!.id, ...one })),
    )
    return run!.id
  })
}

/** Has a run that is not over do some series once more, or too, whose values are others now. */
export function addToRun(db: Database, runId: number, ids: readonly string[]): void {
  db.transaction((tx) => {
    const waiting = tx
      .select({ seriesId: catalogueLeft.seriesId })
      .from(catalogueLeft)
      .where(eq(catalogueLeft.runId, runId))
      .all()
    const known = new Set(waiting.map(({ seriesId }) => seriesId))
    const more = toDo(tx as Database, ids).filter(({ seriesId }) => !known.has(seriesId))
    insertAll(
      tx as Database,
      catalogueLeft,
      more.map((one) => ({ runId, ...one })),
    )
    tx.update(catalogueRuns)
      .set({ of: sql`${catalogueRuns.of} + ${more.length}` })
      .where(eq(catalogueRuns.id, runId))
      .run()
  })
}

/** Of some series those that were worked through before. */
export function workedBefore(db: Database, ids: readonly string[]): string[] {
  return db
    .select({ id: catalogueRows.seriesId })
    .from(catalogueRows)
    .where(among(catalogueRows.seriesId, ids))
    .all()
    .map(({ id }) => id)
}

/** Series of the shelf, all or some, with how far each ends before the others of its rhythm, also those that are not asked for. */
function toDo(
  db: Database,
  ids: readonly string[] | undefined,
): { readonly seriesId: string; readonly behind: number }[] {
  const all = db
    .select({ series, start: vintages.start, summary: vintages.summary })
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .where(isNull(series.deletedAt))
    .all()
  const behind = periodsBehind(
    all.map(({ series: stored, start, summary }) => {
      const calendar = calendarOfRow(stored)
      return { calendar, start: parsePeriod(start, calendar)!, last: summary.last?.t ?? 1 }
    }),
  )
  const wanted = ids && new Set(ids)
  return all
    .map(({ series: { id } }, i) => ({ seriesId: id, behind: behind[i]! }))
    .filter(({ seriesId }) => !wanted || wanted.has(seriesId))
}

/** Series that a run has still to do, so many at the most, leaving out those that are being done. */
export function nextLeft(
  db: Database,
  runId: number,
  most: number,
  busy: ReadonlySet<string>,
): { readonly seriesId: string; readonly behind: number }[] {
  return db
    .select({ seriesId: catalogueLeft.seriesId, behind: catalogueLeft.behind })
    .from(catalogueLeft)
    .where(eq(catalogueLeft.runId, runId))
    .limit(most + busy.size)
    .all()
    .filter(({ seriesId }) => !busy.has(seriesId))
    .slice(0, most)
}

/** Takes series off what a run has still to do, in the transaction that keeps what came of them. */
export function strikeOff(db: Database, runId: number, seriesIds: readonly string[]): void {
  db.delete(catalogueLeft)
    .where(and(eq(catalogueLeft.runId, runId), among(catalogueLeft.seriesId, seriesIds)))
    .run()
}

/** Sets the state of a run; one that is over has nothing left to do, and was over as many series as it did. */
export function setRunState(db: Database, runId: number, state: RunState): void {
  db.transaction((tx) => {
    const isThis = eq(catalogueRuns.id, runId)
    tx.update(catalogueRuns).set({ state }).where(isThis).run()
    if (state !== 'ended') return
    const { changes } = tx.delete(catalogueLeft).where(eq(catalogueLeft.runId, runId)).run()
    tx.update(catalogueRuns)
      .set({ of: sql`${catalogueRuns.of} - ${changes}` })
      .where(isThis)
      .run()
  })
}
