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
import { studies } from '../database/schema'
import { problem } from '../http/problem'
import { findSeries, toSeries } from '../series/storedSeries'
import { findReport } from './reportStore'

/** What a report is written from: read while nothing is calculated yet. */
export interface ToReport {
  readonly series: Series
  readonly source: string
  readonly study: Pick<typeof studies.$inferSelect, 'id' | 'method' | 'toBegin'>
  readonly choices: ReportedStudy['choices']
}

/** The studies that open with series, in the order that they are asked for; those that are gone are passed over. */
export function toReport(db: Database, { ids, length }: ReportRequest): ToReport[] {
  return [...new Set(ids)].flatMap((id) => {
    const stored = findSeries(db, id)
    const opens = and(eq(studies.seriesId, id), eq(studies.place, 0))
    const study = db.select().from(studies).where(opens).get()
    if (!stored || !study) return []
    const choices = { ...findReport(db, study.id)!, length }
    return [{ series: toSeries(stored), source: stored.vintage.source.file, study, choices }]
  })
}

/**
 * One report on several series, each by the method of the study that opens with it.
 *
 * @throws a problem that names the series whose method is refused
 */
export function reportOnSeries(all: readonly ToReport[], { locale, date }: ReportRequest): string {
  const told = { says: readersFigures(locale), version: VERSION, date }
  return finish(reportSteps(all.map(reported), told))
}

function reported({ series, study, source, choices }: ToReport): ReportedStudy {
  const method = study.toBegin ? begin(series).method : study.method
  try {
    return studyOf(series, method, { source, choices })
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    throw problem(
      422,
      `The report was not written: the method of ${series.name} does not fit its values. ${error.message} Mend it on its Bench, or select the others alone.`,
    )
  }
}
