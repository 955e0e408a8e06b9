import { and, eq } from 'drizzle-orm'
import { database, writtenElsewhere } from '../database/current'
import { studies } from '../database/schema'
import { log } from '../http/log'
import { HttpProblem } from '../http/problem'
import { inWorker, inWorkerSoon } from './pool'

/** Series that are looked at in one go: long enough to be worth the way, short enough for others to come between. */
const AT_ONCE = 25

/**
 * Finds the methods of studies that wait for one, beside the server's own thread. Who opens one first has it found then; where
 * there is no time for it, it stays to be found.
 *
 * @param seriesIds of kept series
 */
export async function beginLater(seriesIds: readonly string[]): Promise<void> {
  for (let from = 0; from < seriesIds.length; from += AT_ONCE) {
    const some = seriesIds.slice(from, from + AT_ONCE)
    try {
      await writtenElsewhere((path) => inWorker({}, 'beginThose', path, some))
    } catch (error) {
      log.warn({ err: error, count: seriesIds.length - from }, 'begun later')
      if (!(error instanceof HttpProblem)) return
    }
  }
}

/** Sees to it that a study that is opened has begun; where there is no time for it, it has the usual method. */
export async function requireBegun(studyId: string): Promise<void> {
  const waiting = and(eq(studies.id, studyId), eq(studies.toBegin, true))
  const study = database().select().from(studies).where(waiting).get()
  if (!study) return
  const own = [study.seriesId]
  try {
    await writtenElsewhere((path) => inWorkerSoon(null, 'beginThose', path, own))
  } catch (error) {
    if (!(error instanceof HttpProblem)) throw error
    log.warn({ err: error }, 'opened with the usual method')
  }
}
