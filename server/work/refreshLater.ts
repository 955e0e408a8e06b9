import { eq } from 'drizzle-orm'
import { database, writtenElsewhere } from '../database/current'
import { derivedSeries, studies } from '../database/schema'
import { log } from '../http/log'
import { HttpProblem } from '../http/problem'
import { originsAmong } from '../series/derivation'
import { inWorker, inWorkerSoon } from './pool'

/**
 * Calculates the series anew that are rows of others whose values have changed, and those that are rows of these, beside the
 * server's own thread. Where there is no time for it, who opens one has it calculated then.
 *
 * @param seriesIds whose values have changed
 */
export async function refreshLater(seriesIds: readonly string[]): Promise<void> {
  try {
    let changed: readonly string[] = originsAmong(database(), seriesIds)
    while (changed.length > 0) {
      const from = changed
      changed = await writtenElsewhere((path) => inWorker({}, 'refreshRows', path, from))
    }
  } catch (error) {
    log.warn({ err: error, count: seriesIds.length }, 'calculated later')
  }
}

/** Sees to it that a study that is opened has the values of what its series is calculated from. */
export async function requireFresh(studyId: string): Promise<void> {
  const derived = database()
    .select({ fromId: derivedSeries.fromId })
    .from(studies)
    .innerJoin(derivedSeries, eq(derivedSeries.seriesId, studies.seriesId))
    .where(eq(studies.id, studyId))
    .get()
  if (!derived?.fromId) return
  const from = [derived.fromId]
  try {
    await writtenElsewhere((path) => inWorkerSoon(null, 'refreshRows', path, from))
  } catch (error) {
    if (!(error instanceof HttpProblem)) throw error
    log.warn({ err: error }, 'opened with the values from before')
  }
}
