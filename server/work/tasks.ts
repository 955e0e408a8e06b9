import { analyse } from '../../core/analyse'
import { begin } from '../../core/begin'
import type { ExportKind } from '../../shared/api/series'
import { analysisRequestSchema, beginRequestSchema } from '../../shared/api/studies'
import { documentOf } from '../../shared/resultDocument'
import { seriesFromDocument, type SeriesDocument } from '../../shared/seriesSchema'
import { backUp, requireBackup } from '../backup/backup'
import { withReader } from '../database/reader'
import { exportSeries, type ExportedFile } from '../handover/exportSeries'
import { parseJson } from '../http/body'
import { check } from '../http/check'
import { findSeries, toSeries } from '../series/storedSeries'

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
  /** The methods that several begin with, in their order. @param documents of the series, JSON @returns JSON */
  beginAll(documents: string): string {
    const all = JSON.parse(documents) as SeriesDocument[]
    return JSON.stringify(all.map((one) => begin(seriesFromDocument(one)).method))
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
