import { eq } from 'drizzle-orm'
import { USUAL_REPORT, type ReportChoices } from '../../handover/report/choices'
import type { Database } from '../database/open'
import { reports, studies } from '../database/schema'

/** What was chosen for the report of a study, as usual where nothing was; undefined where there is no such study. */
export function findReport(db: Database, studyId: string): ReportChoices | undefined {
  const study = db.select({ id: studies.id }).from(studies).where(eq(studies.id, studyId)).get()
  if (!study) return undefined
  const kept = db.select().from(reports).where(eq(reports.studyId, studyId)).get()
  return kept?.choices ?? USUAL_REPORT
}

/** Keeps what was chosen, in the place of what was before. @returns false where there is no such study */
export function keepReport(db: Database, studyId: string, choices: ReportChoices): boolean {
  if (!findReport(db, studyId)) return false
  db.insert(reports)
    .values({ studyId, choices })
    .onConflictDoUpdate({ target: reports.studyId, set: { choices } })
    .run()
  return true
}
