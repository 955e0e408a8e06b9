import { analyse } from '../../core/analyse'
import type { MethodDocument } from '../../core/method'
import type { FiledSeries } from '../../handover/dataPackage'
import type { ExportKind } from '../../shared/api/series'
import { documentOf } from '../../shared/resultDocument'
import { seriesFromDocument, type SeriesDocument } from '../../shared/seriesSchema'
import { backUp, requireBackup } from '../backup/backup'
import { exportSeries, type ExportedFile } from '../handover/exportSeries'

/** What is done beside the server's own thread: everything that can take longer than a small answer may wait. */
export const TASKS = {
  /** Runs a method on a series. @returns the result as JSON: to write out a long one takes its time too */
  analyse(series: SeriesDocument, method: MethodDocument): string {
    return JSON.stringify(documentOf(analyse(seriesFromDocument(series), method)))
  },
  /** Series as a file. */
  exportSeries(filed: readonly FiledSeries[], kind: ExportKind): Promise<ExportedFile> {
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
