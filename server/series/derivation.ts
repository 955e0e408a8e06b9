import { createHash } from 'node:crypto'
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { Derived } from '../../shared/api/derived'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { derivedSeries, series, studies } from '../database/schema'
import type { StoredSeries } from './storedSeries'

/** What a series is calculated from; undefined for one that came in. */
export function derivationOf(db: Database, seriesId: string): Derived | undefined {
  return derivationsOf(db, [seriesId]).get(seriesId)
}

/** The same of several, by the id of the series that is calculated. */
export function derivationsOf(db: Database, seriesIds: readonly string[]): Map<string, Derived> {
  const rows = db
    .select({
      seriesId: derivedSeries.seriesId,
      label: derivedSeries.label,
      problem: derivedSeries.problem,
      id: series.id,
      name: series.name,
      studyId: studies.id,
    })
    .from(derivedSeries)
    .leftJoin(series, and(eq(series.id, derivedSeries.fromId), isNull(series.deletedAt)))
    .leftJoin(studies, and(eq(studies.seriesId, series.id), eq(studies.place, 0)))
    .where(among(derivedSeries.seriesId, seriesIds))
    .orderBy(asc(derivedSeries.seriesId))
    .all()
  return new Map(
    rows.map(({ seriesId, label, problem, id, name, studyId }) => [
      seriesId,
      { label, problem, from: id && name && studyId ? { id, name, studyId } : null },
    ]),
  )
}

/** Which of the series others are calculated from. */
export function originsAmong(db: Database, seriesIds: readonly string[]): string[] {
  const rows = db
    .selectDistinct({ fromId: derivedSeries.fromId })
    .from(derivedSeries)
    .where(among(derivedSeries.fromId, seriesIds))
    .all()
  return rows.flatMap(({ fromId }) => fromId ?? [])
}

/** What tells the values that a row is calculated from, adjustments included, from any others. */
export function stampOf({ vintage, adjustments }: StoredSeries): string {
  return createHash('sha256')
    .update(JSON.stringify([vintage.id, adjustments]))
    .digest('hex')
}
