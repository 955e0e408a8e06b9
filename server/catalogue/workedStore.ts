import { isDeepStrictEqual } from 'node:util'
import { and, eq } from 'drizzle-orm'
import { USUAL_THRESHOLDS } from '../../core/catalogue/attention'
import { catalogued, refusedRow, USUAL_ORIGINS } from '../../core/catalogue/catalogued'
import type { MethodSource } from '../../core/catalogue/chosen'
import { lastAgainst, type LastAgainst } from '../../core/catalogue/against'
import type { CatalogueForecast, CatalogueRow } from '../../core/catalogue/row'
import { freeze, type FrozenForecast } from '../../core/kept/kept'
import type { MethodDocument } from '../../core/method'
import { orNull } from '../../core/refusal'
import type { Series } from '../../core/series/series'
import type { RunSource, RunTask } from '../../shared/api/catalogue'
import type { NewStudy } from '../../shared/api/studies'
import type { Database } from '../database/open'
import { catalogueRows, studies } from '../database/schema'
import { keepForecast } from '../kept/keptStore'
import { stampOf } from '../series/derivation'
import { findSeries, toSeries } from '../series/storedSeries'
import { addStudy } from '../studies/seriesStudies'
import { strikeOff } from './runStore'

/** A series of a run, and how far it ends before the others. */
export interface ToWork {
  readonly seriesId: string
  readonly behind: number
}

/** What came of a series of a run; nothing of one that is not there any more. */
type Outcome = { readonly seriesId: string } & (
  | {
      readonly kind: 'worked'
      readonly series: Series
      readonly row: CatalogueRow
      readonly forecast: CatalogueForecast | null
      readonly stamp: string
      /** The method that the study takes; null where it has it already. */
      readonly taken: { readonly study: StoredStudy; readonly method: MethodDocument } | null
    }
  | {
      readonly kind: 'frozen'
      readonly series: Series
      readonly method: MethodDocument
      readonly forecast: FrozenForecast
    }
  | { readonly kind: 'nothing' }
)

type StoredStudy = typeof studies.$inferSelect

/** Where the method of a series comes from, when a run says so; a study that waits for its beginning has none to give. */
function sourceOf(asked: RunSource | undefined, study: StoredStudy): MethodSource {
  if (asked && asked.kind !== 'study') return asked as MethodSource
  return study.toBegin ? { kind: 'begin' } : { kind: 'given', method: study.method }
}

/** Does with series what a run asks for, by the method of the study that opens with each; writes nothing. */
export function workOn(db: Database, task: RunTask, those: readonly ToWork[]): Outcome[] {
  return those.map(({ seriesId, behind }): Outcome => {
    const stored = findSeries(db, seriesId)
    const study = db
      .select()
      .from(studies)
      .where(and(eq(studies.seriesId, seriesId), eq(studies.place, 0)))
      .get()
    if (!stored || !study) return { seriesId, kind: 'nothing' }
    const series = toSeries(stored)
    if (task.kind === 'keep') {
      const { method } = study
      const forecast = study.toBegin ? null : orNull(() => freeze(series, method))
      return forecast
        ? { seriesId, kind: 'frozen', series, method, forecast }
        : { seriesId, kind: 'nothing' }
    }
    const { thresholds = USUAL_THRESHOLDS } = task
    const plan = { source: sourceOf(task.source, study), origins: USUAL_ORIGINS, thresholds }
    const { row, method, forecast } = catalogued(series, plan, behind)
    const isOther = study.toBegin || !isDeepStrictEqual(method, study.method)
    // What is refused is not taken over what could be forecast by.
    const taken = isOther && (study.toBegin || row.refused === null) ? { study, method } : null
    return { seriesId, kind: 'worked', series, row, forecast, stamp: stampOf(stored), taken }
  })
}

/** Keeps what came of series of a run, and strikes them off: all or nothing, so that nothing is done twice. */
export function keepWork(
  db: Database,
  runId: number,
  task: RunTask,
  outcomes: readonly Outcome[],
): void {
  const createdAt = new Date()
  for (const outcome of outcomes) {
    const { seriesId } = outcome
    // It may have been deleted for good in the meantime.
    if (outcome.kind === 'nothing' || !findSeries(db, seriesId)) continue
    if (outcome.kind === 'frozen') {
      const { series, method, forecast } = outcome
      const name = task.kind === 'keep' ? task.name : ''
      keepForecast(db, seriesId, series, { name, note: '', method, forecast })
      continue
    }
    const { series, row, forecast, stamp, taken } = outcome
    const against = againstBefore(db, seriesId, series, stamp)
    keepRow(db, { seriesId, row, forecast, against, stamp, createdAt })
    if (taken) takeMethod(db, taken, createdAt)
  }
  const ids = outcomes.map(({ seriesId }) => seriesId)
  strikeOff(db, runId, ids)
}

/**
 * Gives the study that opens with a series another method. What it had stays with the series as a study of its own, behind the others;
 * where there are as many as there can be, it stays as it is.
 */
function takeMethod(
  db: Database,
  { study, method }: { readonly study: StoredStudy; readonly method: MethodDocument },
  at: Date,
): void {
  // It may have been changed while the work was done: then the hand is the newer.
  const isSame = and(
    eq(studies.id, study.id),
    eq(studies.version, study.version),
    eq(studies.toBegin, study.toBegin),
  )
  if (!db.select({ id: studies.id }).from(studies).where(isSame).get()) return
  if (!study.toBegin) {
    const name = `before ${at.toISOString().slice(0, 10)}`
    const before = { name, method: study.method as NewStudy['method'] }
    if (addStudy(db, study.seriesId, before).kind !== 'added') return
  }
  db.update(studies)
    .set({ method, toBegin: false, version: study.version + (study.toBegin ? 0 : 1) })
    .where(isSame)
    .run()
}

/** The newest value beside what was forecast of it in the run before; the same as then where the values are. */
function againstBefore(
  db: Database,
  seriesId: string,
  series: Series,
  stamp: string,
): LastAgainst | null {
  const [before] = db
    .select({
      stamp: catalogueRows.stamp,
      against: catalogueRows.against,
      forecast: catalogueRows.forecast,
    })
    .from(catalogueRows)
    .where(eq(catalogueRows.seriesId, seriesId))
    .all()
  if (!before) return null
  if (before.stamp === stamp) return before.against
  return before.forecast && lastAgainst(series, before.forecast)
}

/** Leaves a series out of a run that could not do it, with the reason in its row. */
export function keepPassedOver(
  db: Database,
  runId: number,
  seriesId: string,
  because: string,
): void {
  const stored = findSeries(db, seriesId)
  if (stored) {
    const row = refusedRow(toSeries(stored), because, USUAL_THRESHOLDS)
    const nothing = { forecast: null, against: null }
    keepRow(db, { seriesId, row, ...nothing, stamp: stampOf(stored), createdAt: new Date() })
  }
  strikeOff(db, runId, [seriesId])
}

/** Takes the place of the row that there was; what was seen of it stays. */
function keepRow(db: Database, { seriesId, ...now }: typeof catalogueRows.$inferInsert): void {
  db.insert(catalogueRows)
    .values({ seriesId, ...now })
    .onConflictDoUpdate({ target: catalogueRows.seriesId, set: now })
    .run()
}

/** Notes that somebody has seen what there is to look at of a series, or has not. @returns whether it was worked through at all */
export function noteSeen(
  db: Database,
  seriesId: string,
  { seen, note }: { readonly seen: boolean; readonly note: string },
): boolean {
  const known = db.select().from(catalogueRows).where(eq(catalogueRows.seriesId, seriesId)).get()
  if (!known) return false
  db.update(catalogueRows)
    .set({ seen: seen ? known.row.attention.map(({ text }) => text) : null, seenNote: note })
    .where(eq(catalogueRows.seriesId, seriesId))
    .run()
  return true
}
