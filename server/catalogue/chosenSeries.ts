import { and, asc, eq, isNull } from 'drizzle-orm'
import type { ToAddUp } from '../../core/addingUp/addUp'
import { isWithin } from '../../core/addingUp/nodes'
import { MOST_TOGETHER, type Chosen } from '../../shared/api/sums'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { series, studies } from '../database/schema'
import { problem } from '../http/problem'
import { findSeries, toSeries } from '../series/storedSeries'

/** A series with its group, and the method of the study that opens with it; none of one that waits for its beginning. */
export interface ChosenSeries extends ToAddUp {
  readonly seriesId: string
  readonly studyId: string
  /** Of the study; null where it waits for its beginning. */
  readonly version: number | null
}

/**
 * The series that a request names, with their groups and the methods of the studies that open with them.
 *
 * @throws HttpProblem where there are too many to wait for
 */
export function chosenSeries(db: Database, { ids, group }: Chosen): ChosenSeries[] {
  const those = db
    .select({ id: series.id, group: series.group })
    .from(series)
    .where(and(isNull(series.deletedAt), ids && among(series.id, ids)))
    .orderBy(asc(series.name), asc(series.id))
    .all()
    .filter((one) => group === undefined || isWithin(one.group, group))
  if (those.length > MOST_TOGETHER) {
    throw problem(
      422,
      `${those.length.toLocaleString('en')} series are too many to work on together; ${MOST_TOGETHER} are the most. Choose a group.`,
    )
  }
  return those.flatMap(({ id, group: own }) => {
    const stored = findSeries(db, id)
    const study = db
      .select()
      .from(studies)
      .where(and(eq(studies.seriesId, id), eq(studies.place, 0)))
      .get()
    if (!stored || !study) return []
    return [
      {
        ...{ seriesId: id, studyId: study.id, series: toSeries(stored), group: own },
        version: study.toBegin ? null : study.version,
        ...(study.toBegin ? {} : { method: study.method }),
      },
    ]
  })
}
