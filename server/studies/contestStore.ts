import { eq } from 'drizzle-orm'
import type { HeldContest } from '../../shared/api/studies'
import type { Database } from '../database/open'
import { contests, studies } from '../database/schema'

/** The contest that is kept with a study; null for none, undefined where there is no such study. */
export function findContest(db: Database, studyId: string): HeldContest | null | undefined {
  const study = db.select({ id: studies.id }).from(studies).where(eq(studies.id, studyId)).get()
  if (!study) return undefined
  const kept = db.select().from(contests).where(eq(contests.studyId, studyId)).get()
  // One that was kept before nearest and proposed were told apart says neither: it is held again.
  if (!kept || !('nearest' in (kept.contest as object))) return null
  return { of: kept.of, contest: kept.contest } as HeldContest
}

/** Keeps a contest with a study, in the place of the one before. @returns false where there is no such study */
export function keepContest(db: Database, studyId: string, held: HeldContest): boolean {
  if (findContest(db, studyId) === undefined) return false
  const kept = { ...held, createdAt: new Date() }
  db.insert(contests)
    .values({ studyId, ...kept })
    .onConflictDoUpdate({ target: contests.studyId, set: kept })
    .run()
  return true
}
