import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import { formatPeriod, periodAt } from '../../core/calendar/period'
import type { ShelfPage, ShelfRow } from '../../shared/api/series'
import type { Database } from '../database/open'
import { series, studies, vintages } from '../database/schema'
import { toSeries, type StoredSeries } from './storedSeries'

/** Rows of a page where nobody says how many: read in a fraction of what another may wait. */
const PAGE = 500
/** Where a page ended is told by the id and the beginning of the name of its last series: also one that is gone since has its place. */
const ID_LENGTH = 36
/** Letters of a name that order the shelf: names can be longer than an address may be. */
const NAME_LENGTH = 200
const ordered = sql`substr(${series.name}, 1, ${sql.raw(String(NAME_LENGTH))})`

/**
 * A page of the series that are not in the trash, by name.
 *
 * @param after where the page before ended; the first page when left out
 * @param limit rows at most
 * @returns the rows, and what the next page begins after; null at the end
 */
export function shelfPage(
  db: Database,
  { after, limit = PAGE }: { readonly after?: string | undefined; readonly limit?: number } = {},
): ShelfPage {
  const isBehind =
    after === undefined
      ? undefined
      : sql`(${ordered}, ${series.id}) > (${after.slice(ID_LENGTH)}, ${after.slice(0, ID_LENGTH)})`
  const stored = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .innerJoin(studies, eq(studies.seriesId, series.id))
    .where(and(isNull(series.deletedAt), isBehind))
    .orderBy(ordered, series.id)
    .limit(limit + 1)
    .all()
  const rows = stored.slice(0, limit).map(rowOf)
  const last = rows.at(-1)
  return {
    series: rows,
    next: last && stored.length > limit ? last.id + beginning(last.name) : null,
  }
}

/** As the database counts letters: a pair of surrogates is one. */
function beginning(name: string): string {
  return [...name].slice(0, NAME_LENGTH).join('')
}

/** Rows of series, in the order of their ids; what is not there, or in the trash, is left out. */
export function shelfRows(db: Database, ids: readonly string[]): ShelfRow[] {
  const stored = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .innerJoin(studies, eq(studies.seriesId, series.id))
    .where(and(isNull(series.deletedAt), inArray(series.id, [...ids])))
    .all()
  const byId = new Map(stored.map((row) => [row.series.id, row]))
  return ids.flatMap((id) => {
    const row = byId.get(id)
    return row ? [rowOf(row)] : []
  })
}

function rowOf(joined: {
  readonly series: typeof series.$inferSelect
  readonly vintages: typeof vintages.$inferSelect
  readonly studies: typeof studies.$inferSelect
}): ShelfRow {
  const stored: StoredSeries = { ...joined.series, vintage: joined.vintages, adjustments: [] }
  const { calendar, start, values } = toSeries(stored)
  const code = (t: number) => formatPeriod(periodAt(start, t, calendar.seasons), calendar)
  const last = values.findLastIndex((value) => value !== null)
  return {
    id: stored.id,
    studyId: joined.studies.id,
    name: stored.name,
    unit: stored.unit,
    group: stored.group,
    notes: stored.notes,
    frequency: stored.frequency,
    seasons: stored.seasons,
    ...(stored.seasonNames ? { seasonNames: stored.seasonNames } : {}),
    start: code(1),
    end: code(values.length),
    periods: values.length,
    missing: values.filter((value) => value === null).length,
    last:
      last < 0
        ? null
        : {
            period: code(last + 1),
            value: values[last]!,
            yearBefore: values[last - calendar.seasons] ?? null,
          },
    createdAt: stored.createdAt.toISOString(),
  }
}
