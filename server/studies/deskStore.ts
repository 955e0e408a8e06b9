import { and, asc, eq, gte, lte } from 'drizzle-orm'
import {
  MOST_STEPS,
  studyStepSchema,
  type BenchView,
  type Desk,
  type StudyContent,
  type TrailSave,
} from '../../shared/api/desk'
import type { Database } from '../database/open'
import { studies, studySteps, studyViews } from '../database/schema'

/** What lies on the Bench beside a study; undefined where there is no such study. */
export function findDesk(db: Database, studyId: string): Desk | undefined {
  if (!isThere(db, studyId)) return undefined
  const steps = db
    .select()
    .from(studySteps)
    .where(eq(studySteps.studyId, studyId))
    .orderBy(asc(studySteps.n))
    .all()
  const kept = db.select().from(studyViews).where(eq(studyViews.studyId, studyId)).get()
  return {
    // A step that an older Elvant wrote and this one cannot read is not gone back to.
    steps: steps.flatMap(({ n, content }) => {
      const read = studyStepSchema.safeParse({ n, content })
      return read.success ? [read.data] : []
    }),
    at: steps.find(({ isPresent }) => isPresent)?.n ?? null,
    view: kept?.view ?? null,
  }
}

/** Keeps new steps in the place of those from the first of them on, and which one the study is at. */
export function keepSteps(
  db: Pick<Database, 'insert' | 'update' | 'delete'>,
  studyId: string,
  { steps, at }: TrailSave,
): void {
  const own = eq(studySteps.studyId, studyId)
  const [first] = steps
  if (first) {
    db.delete(studySteps)
      .where(and(own, gte(studySteps.n, first.n)))
      .run()
    for (const { n, content } of steps) {
      db.insert(studySteps).values({ studyId, n, content, isPresent: false }).run()
    }
    db.delete(studySteps)
      .where(and(own, lte(studySteps.n, steps.at(-1)!.n - MOST_STEPS)))
      .run()
  }
  db.update(studySteps).set({ isPresent: false }).where(own).run()
  db.update(studySteps)
    .set({ isPresent: true })
    .where(and(own, eq(studySteps.n, at)))
    .run()
}

/**
 * Writes down what studies of a series are, before something else than a save changes them, so that undo can go back to it.
 *
 * @param content of all of them but the method
 */
export function keepFirstSteps(
  db: Pick<Database, 'select' | 'insert'>,
  seriesId: string,
  content: Omit<StudyContent, 'method'>,
): void {
  const own = db.select().from(studies).where(eq(studies.seriesId, seriesId)).all()
  for (const { id: studyId, method } of own) {
    const steps = db.select().from(studySteps).where(eq(studySteps.studyId, studyId)).limit(1).get()
    if (steps) continue
    const first = { ...content, method: method as StudyContent['method'] }
    db.insert(studySteps).values({ studyId, n: 0, content: first, isPresent: true }).run()
  }
}

/** Keeps how the Bench was left, null for as at first. @returns false where there is no such study */
export function keepView(db: Database, studyId: string, view: BenchView | null): boolean {
  if (!isThere(db, studyId)) return false
  if (view === null) {
    db.delete(studyViews).where(eq(studyViews.studyId, studyId)).run()
    return true
  }
  db.insert(studyViews)
    .values({ studyId, view })
    .onConflictDoUpdate({ target: studyViews.studyId, set: { view } })
    .run()
  return true
}

function isThere(db: Database, studyId: string): boolean {
  return (
    db.select({ id: studies.id }).from(studies).where(eq(studies.id, studyId)).get() !== undefined
  )
}
