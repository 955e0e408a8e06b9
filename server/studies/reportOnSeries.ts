import { and, eq } from 'drizzle-orm'
import { begin } from '../../core/begin'
import { Refusal } from '../../core/refusal'
import type { Series } from '../../core/series/series'
import { finish } from '../../core/work/steps'
import { readersFigures } from '../../core/words/readersFigures'
import { reportSteps } from '../../handover/report/report'
import { studyOf, type ReportedStudy } from '../../handover/report/study'
import type { ReportRequest } from '../../shared/api/report'
import { VERSION } from '../../shared/version'
import type { Database } from '../database/open'
import { catalogueRows, studies } from '../database/schema'
import { problem } from '../http/problem'
import { findSeries, toSeries } from '../series/storedSeries'
import { findReport } from './reportStore'

/** What a report is written from: read while nothing is calculated yet. */
export interface ToReport {
  readonly series: Series
  readonly source: string
  readonly study: Pick<typeof studies.$inferSelect, 'id' | 'method' | 'toBegin'>
  readonly choices: ReportedStudy['choices']
  readonly lookAt?: readonly string[]
}

/** The studies that open with series, in the order that they are asked for; those that are gone are passed over. */
export function toReport(db: Database, { ids, length, reasons }: ReportRequest): ToReport[] {
  return [...new Set(ids)].flatMap((id) => {
    const stored = findSeries(db, id)
    const opens = and(eq(studies.seriesId, id), eq(studies.place, 0))
    const study = db.select().from(studies).where(opens).get()
    if (!stored || !study) return []
    const choices = { ...findReport(db, study.id)!, length }
    return [
      {
        ...{ series: toSeries(stored), source: stored.vintage.source.file, study, choices },
        ...(reasons ? { lookAt: reasonsOf(db, id) } : {}),
      },
    ]
  })
}

/** Why a series is to be looked at, as the last run found. */
function reasonsOf(db: Database, id: string): string[] {
  const [found] = db
    .select({ row: catalogueRows.row })
    .from(catalogueRows)
    .where(eq(catalogueRows.seriesId, id))
    .all()
  return found?.row.attention.map(({ text }) => text) ?? []
}

/**
 * One report on several series, each by the method of the study that opens with it.
 *
 * @throws a problem that names the series whose method is refused
 */
export function reportOnSeries(
  all: readonly ToReport[],
  { locale, date, reasons }: ReportRequest,
): string {
  const refused: { name: string; because: string }[] = []
  const studies = all.flatMap((one) => {
    try {
      return [reported(one)]
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      const { name } = one.series
      // That it is refused is a reason to look at it, and no reason not to report on the others.
      if (!reasons) throw notWritten(name, error)
      refused.push({ name, because: error.because })
      return []
    }
  })
  const told = { says: readersFigures(locale), version: VERSION, date, refused }
  return finish(reportSteps(studies, told))
}

function notWritten(name: string, { message }: Refusal) {
  return problem(
    422,
    `The report was not written: the method of ${name} does not fit its values. ${message} Mend it on its Bench, or select the others alone.`,
  )
}

function reported({ series, study, source, choices, lookAt }: ToReport): ReportedStudy {
  const method = study.toBegin ? begin(series).method : study.method
  return studyOf(series, method, { source, choices, ...(lookAt ? { lookAt } : {}) })
}
