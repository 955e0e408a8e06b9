import { addUp } from '../../core/addingUp/addUp'
import { analyse } from '../../core/analyse'
import { begin } from '../../core/begin'
import { groupSeason } from '../../core/groupSeason/groupSeason'
import { freeze } from '../../core/kept/kept'
import { BODIES, type BodyName, type BodyOf } from '../../shared/api/bodies'
import {
  createSeriesSchema,
  seriesActSchema,
  updateAllSchema,
  type ExportKind,
} from '../../shared/api/series'
import type { RunTask } from '../../shared/api/catalogue'
import { groupSeasonRequestSchema, type TriedGroupSeason } from '../../shared/api/groupSeason'
import { takeOnRowSchema } from '../../shared/api/derived'
import { keepRequestSchema } from '../../shared/api/kept'
import { reportRequestSchema } from '../../shared/api/report'
import { chosenSchema, type AddedSeries } from '../../shared/api/sums'
import { analysisRequestSchema, beginRequestSchema } from '../../shared/api/studies'
import { documentOf } from '../../shared/resultDocument'
import { seriesFromDocument } from '../../shared/seriesSchema'
import { chosenSeries } from '../catalogue/chosenSeries'
import { exportForecasts, workedSeries } from '../catalogue/exportForecasts'
import { keepPassedOver, keepWork, workOn, type ToWork } from '../catalogue/workedStore'
import { calculateRow, keepRefreshed, keepRow, refreshedRows } from '../derived/derivedSeries'
import { findKept, keepForecast, listKept } from '../kept/keptStore'
import { backUp, requireBackup } from '../backup/backup'
import { withReader } from '../database/reader'
import { withWriter } from '../database/writer'
import type { ExportedFile } from '../handover/exportedFile'
import { exportSeries } from '../handover/exportSeries'
import { parseJson } from '../http/body'
import { check } from '../http/check'
import { pointerTo, problem } from '../http/problem'
import { keepDemoCatalogue } from '../shelf/demoCatalogue'
import { keepNew, type KeptNew } from '../shelf/keepNew'
import { shelfPage, shelfRows } from '../series/shelfRows'
import { actOnSeries } from '../shelf/shelfStore'
import { findSeries, toSeries } from '../series/storedSeries'
import { addVintage } from '../shelf/addVintage'
import { valuesOf } from '../series/valuesOf'
import { findBeginnings, keepBeginnings } from '../studies/beginnings'
import { reportOnSeries, toReport } from '../studies/reportOnSeries'
import { standBack } from './standBack'

/**
 * What is done beside the server's own thread: everything that can take longer than a small answer may wait, to read a long
 * request and to write a long answer too. So what goes in and out is bytes, or words that are short.
 */
export const TASKS = {
  /** Runs a method on a series. @param body of the request, JSON @returns the result, JSON */
  analyse(body: Uint8Array): Uint8Array {
    const { series, method } = check(analysisRequestSchema, parseJson(body), 400)
    return Buffer.from(JSON.stringify(documentOf(analyse(seriesFromDocument(series), method))))
  },
  /** The method that a series begins with. @param body of the request, JSON @returns the answer, JSON */
  begin(body: Uint8Array): Uint8Array {
    const { series } = check(beginRequestSchema, parseJson(body), 400)
    return Buffer.from(JSON.stringify(begin(seriesFromDocument(series))))
  },
  /** Reads a long request. @param name of what it is made of @param body JSON */
  readBody(name: BodyName, body: Uint8Array): BodyOf<BodyName> {
    return check<BodyOf<BodyName>>(BODIES[name], parseJson(body), 400)
  },
  /** Keeps new series. @param path of the database @param body of the request, JSON */
  keepNew(path: string, body: Uint8Array): KeptNew {
    return keepNew(path, check(createSeriesSchema, parseJson(body), 400))
  },
  /** Brings several series up to date, all or none. @param body of the request, JSON @returns their ids */
  updateAll(path: string, body: Uint8Array): string[] {
    const { updates } = check(updateAllSchema, parseJson(body), 400)
    withWriter(path, (db) => {
      updates.forEach(({ id, ...update }, i) => {
        if (addVintage(db, id, update)) return
        throw problem(404, 'This series is not there; none was changed.', {
          pointer: pointerTo(['updates', i, 'id']),
        })
      })
    })
    return updates.map(({ id }) => id)
  },
  /** Does the same to several series. @param body of the request, JSON @returns how many there were */
  act(path: string, body: Uint8Array): number {
    const act = check(seriesActSchema, parseJson(body), 400)
    return withWriter(path, (db) => actOnSeries(db, act))
  },
  /** The shelf as a whole. @param path of the database @returns the answer, JSON */
  shelf(path: string): Uint8Array {
    return Buffer.from(JSON.stringify(withReader(path, (db) => shelfPage(db, {}))))
  },
  /** The values of some series. @param points values at most for each @returns the answer, JSON */
  valuesOf(path: string, ids: readonly string[], points?: number): Uint8Array {
    return Buffer.from(
      JSON.stringify({ series: withReader(path, (db) => valuesOf(db, ids, points)) }),
    )
  },
  /** Finds the methods of series whose studies wait for one. @param path of the database */
  beginThose(path: string, seriesIds: readonly string[]): void {
    // Looked for while others can write.
    const found = withReader(path, (db) => findBeginnings(db, seriesIds))
    withWriter(path, (db) => keepBeginnings(db, found))
  },
  /**
   * Keeps a forecast of a series: what it comes to is calculated here, so that what is kept is what the method says.
   *
   * @param path of the database
   * @param body of the request, JSON
   * @returns its document, JSON; null where there is no such series
   */
  keepForecast(path: string, seriesId: string, body: Uint8Array): Uint8Array | null {
    const asked = check(keepRequestSchema, parseJson(body), 400)
    const stored = withReader(path, (db) => findSeries(db, seriesId))
    if (!stored) return null
    const series = toSeries(stored)
    const forecast = freeze(series, asked.method)
    return withWriter(path, (db) => {
      if (!findSeries(db, seriesId)) return null
      const id = keepForecast(db, seriesId, series, { ...asked, forecast })
      return Buffer.from(JSON.stringify(findKept(db, id)))
    })
  },
  /**
   * Keeps a calculated row of a series as one of its own.
   *
   * @param body of the request, JSON
   * @returns its row of the shelf, JSON; null where there is no such series
   */
  takeOnRow(path: string, seriesId: string, body: Uint8Array): Uint8Array | null {
    const asked = check(takeOnRowSchema, parseJson(body), 400)
    const stored = withReader(path, (db) => findSeries(db, seriesId))
    if (!stored) return null
    const row = calculateRow(stored, asked)
    return withWriter(path, (db) => {
      const id = keepRow(db, row)
      return Buffer.from(JSON.stringify(shelfRows(db, [id])[0]))
    })
  },
  /** Calculates the rows of series anew whose values have changed. @returns ids of those that are others now */
  refreshRows(path: string, fromIds: readonly string[]): string[] {
    const refreshed = withReader(path, (db) => refreshedRows(db, fromIds))
    return refreshed.length === 0 ? [] : withWriter(path, (db) => keepRefreshed(db, refreshed))
  },
  /** Does with series what a run asks for, and keeps what came of them. @param path of the database */
  workOnSeries(path: string, runId: number, task: RunTask, those: readonly ToWork[]): void {
    standBack()
    const outcomes = withReader(path, (db) => workOn(db, task, those))
    withWriter(path, (db) => keepWork(db, runId, task, outcomes))
  },
  /** Adds series up. @param path of the database @param body of the request, JSON @returns the answer, JSON */
  addUp(path: string, body: Uint8Array): Uint8Array {
    const asked = check(chosenSchema, parseJson(body), 400)
    const all = withReader(path, (db) => chosenSeries(db, asked))
    const studies = all.map(({ seriesId, studyId, version }) => ({ seriesId, studyId, version }))
    const answer: AddedSeries = { ...addUp(all), studies }
    return Buffer.from(JSON.stringify(answer))
  },
  /** The season that series have in common. @param path of the database @param body of the request, JSON @returns the answer, JSON */
  groupSeason(path: string, body: Uint8Array): Uint8Array {
    const { called, ...chosen } = check(groupSeasonRequestSchema, parseJson(body), 400)
    const all = withReader(path, (db) => chosenSeries(db, chosen))
    const studies = all.map(({ seriesId, studyId }) => ({ seriesId, studyId }))
    const answer: TriedGroupSeason = { ...groupSeason(called, all), studies }
    return Buffer.from(JSON.stringify(answer))
  },
  /** Puts the invented articles on the shelf. @param path of the database @returns how many there are */
  keepDemoCatalogue(path: string): number {
    return withWriter(path, keepDemoCatalogue)
  },
  /** Leaves a series out of a run, and says why in its row. @param path of the database */
  passOver(path: string, runId: number, seriesId: string, because: string): void {
    withWriter(path, (db) => keepPassedOver(db, runId, seriesId, because))
  },
  /** Kept forecasts with how they did. @param path of the database @returns the answer, JSON */
  listKept(path: string, seriesId?: string): Uint8Array {
    return Buffer.from(JSON.stringify({ kept: withReader(path, (db) => listKept(db, seriesId)) }))
  },
  /** A kept forecast; null where there is none. @param path of the database @returns its document, JSON */
  findKept(path: string, id: string): Uint8Array | null {
    const kept = withReader(path, (db) => findKept(db, id))
    return kept ? Buffer.from(JSON.stringify(kept)) : null
  },
  /**
   * A report on series of the shelf.
   *
   * @param body of the request, JSON
   * @returns the page; null when none of the series is there
   */
  report(path: string, body: Uint8Array): Uint8Array | null {
    const asked = check(reportRequestSchema, parseJson(body), 400)
    const all = withReader(path, (db) => toReport(db, asked))
    return all.length === 0 ? null : Buffer.from(reportOnSeries(all, asked))
  },
  /** Kept series as a file; null when none of them is there. @param path of the database */
  exportSeries(
    path: string,
    ids: readonly string[],
    kind: ExportKind,
  ): Promise<ExportedFile> | null {
    // A series that is named again is the same one.
    const stored = withReader(path, (db) =>
      [...new Set(ids)].flatMap((id) => findSeries(db, id) ?? []),
    )
    if (stored.length === 0) return null
    const filed = stored.map((one) => ({
      ...{ series: toSeries(one), group: one.group, notes: one.notes },
    }))
    return exportSeries(filed, kind)
  },
  /** The forecasts of worked series as a file; null where there are none. @param path of the database */
  exportForecasts(
    path: string,
    kind: ExportKind,
    ids: readonly string[] | undefined,
  ): Promise<ExportedFile> | null {
    const all = withReader(path, (db) => workedSeries(db, ids))
    return all.length === 0 ? null : exportForecasts(all, kind)
  },
  /** Whether a file is a whole backup; what seals it is taken off. @throws Refusal where it is none */
  requireBackup(path: string, migrations: string): void {
    requireBackup(path, migrations)
  },
  /** The whole database as one sealed file. */
  backUp(from: string, to: string): void {
    backUp(from, to)
  },
}

export type Tasks = typeof TASKS
