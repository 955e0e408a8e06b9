import type { FigureTable } from '~~/core/ledger/table'
import type { Result } from '~~/core/result'
import type { Steps } from '~~/core/work/steps'
import { readersFigures } from '~~/core/words/readersFigures'
import { reportSteps } from '~~/handover/report/report'
import type { ReportedStudy } from '~~/handover/report/study'
import { tableSheet } from '~~/handover/workbook/tableSheet'
import { workbookSteps, type Told } from '~~/handover/workbook/workbook'
import { writeWorkbook } from '~~/handover/workbook/writeWorkbook'
import type { Telling } from './job'

/** What is written beside the page, to be handed over. */
export const HANDOVER_JOBS = {
  /** The workbook that calculates, as an XLSX file. */
  *workbook(_: Telling<never>, result: Result, told: Told): Steps<Promise<Uint8Array>> {
    return writeWorkbook(yield* workbookSteps(result, told))
  },
  /** A report on studies, as a page. @param locale that its figures are written in; the browser's when left out */
  *report(
    _: Telling<never>,
    studies: readonly ReportedStudy[],
    { locale, ...told }: { locale: string | undefined; version: string; date: string },
  ): Steps<string> {
    return yield* reportSteps(studies, { ...told, says: readersFigures(locale) })
  },
  /** A table as an XLSX file of one sheet. */
  sheet(_: Telling<never>, name: string, table: FigureTable): Promise<Uint8Array> {
    return writeWorkbook([tableSheet(name, table)])
  },
}
export type HandoverJobs = typeof HANDOVER_JOBS
