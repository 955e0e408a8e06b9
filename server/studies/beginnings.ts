import { and, eq, inArray } from 'drizzle-orm'
import { begin } from '../../core/begin'
import type { MethodDocument } from '../../core/method'
import type { NewSeries } from '../../shared/api/series'
import { documentFromSeries, seriesFromDocument } from '../../shared/seriesSchema'
import { database } from '../database/current'
import { studies } from '../database/schema'
import { log } from '../http/log'
import { HttpProblem } from '../http/problem'
import { findSeries, toSeries } from '../series/storedSeries'
import { inWorker } from '../work/pool'

/** Periods in all up to which looking takes less time than the way to a thread that may still have to be started. */
const SHORT = 600
/** Series that are looked at in one go: long enough to be worth the way, short enough for others to come between. */
const AT_ONCE = 25

/**
 * The methods that new series begin with, where they are short; many are kept first, and looked at afterwards.
 *
 * @returns in the same order, or that they are to be found later
 */
export function beginningsOf(incoming: readonly NewSeries[]): readonly MethodDocument[] | 'later' {
  const periods = incoming.reduce((sum, { series }) => sum + series.values.length, 0)
  return periods > SHORT
    ? 'later'
    : incoming.map(({ series }) => begin(seriesFromDocument(series)).method)
}

/**
 * Finds the methods of studies that wait for one, beside the server's own thread. Who opens one first has it found then; where
 * there is no time for it, it stays to be found.
 *
 * @param seriesIds of kept series
 */
export async function beginLater(seriesIds: readonly string[]): Promise<void> {
  for (let from = 0; from < seriesIds.length; from += AT_ONCE) {
    try {
      await beginThose(seriesIds.slice(from, from + AT_ONCE))
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
  try {
    await beginThose([study.seriesId])
  } catch (error) {
    if (!(error instanceof HttpProblem)) throw error
    log.warn({ err: error }, 'opened with the usual method')
  }
}

async function beginThose(seriesIds: readonly string[]): Promise<void> {
  const waiting = database()
    .select()
    .from(studies)
    .where(and(inArray(studies.seriesId, [...seriesIds]), eq(studies.toBegin, true)))
    .all()
  const found = waiting.flatMap(({ id, seriesId }) => {
    const stored = findSeries(database(), seriesId)
    return stored ? [{ id, series: documentFromSeries(toSeries(stored)) }] : []
  })
  if (found.length === 0) return
  const documents = JSON.stringify(found.map(({ series }) => series))
  const methods = JSON.parse(await inWorker('beginAll', documents)) as MethodDocument[]
  database().transaction((tx) => {
    found.forEach(({ id }, i) => {
      // Who saved a method of their own in the meantime keeps it.
      tx.update(studies)
        .set({ method: methods[i]!, toBegin: false })
        .where(and(eq(studies.id, id), eq(studies.toBegin, true)))
        .run()
    })
  })
}
