import { and, asc, count, eq, gt, isNull, sql } from 'drizzle-orm'
import { axisOf } from '../../core/calendar/axis'
import { parsePeriod } from '../../core/calendar/codes'
import type { ShelfPage, ShelfRow } from '../../shared/api/series'
import { among } from '../database/among'
import type { Database } from '../database/open'
import {
  keptForecasts,
  ORDERING_LETTERS,
  orderedName,
  series,
  studies,
  vintages,
} from '../database/schema'
import { derivationsOf } from './derivation'
import { calendarOfRow } from './storedSeries'
import { workedOf } from './worked'

/** Where a page ended is told by the id and the beginning of the name of its last series: also one that is gone since has its place. */
const ID_LENGTH = 36

/**
 * A page of the series that are not in the trash, by name.
 *
 * @param after where the page before ended; the first page when left out
 * @param limit rows at most; all when left out
 * @returns the rows, and what the next page begins after; null at the end
 */
export function shelfPage(
  db: Database,
  { after, limit }: { readonly after?: string | undefined; readonly limit?: number } = {},
): ShelfPage {
  const isBehind =
    after === undefined
      ? undefined
      : sql`(${orderedName(series.name)}, ${series.id}) > (${after.slice(ID_LENGTH)}, ${after.slice(0, ID_LENGTH)})`
  const stored = selectRows(db)
    .where(and(isNull(series.deletedAt), isBehind))
    .orderBy(orderedName(series.name), series.id)
    .limit(limit === undefined ? -1 : limit + 1)
    .all()
  const rows = withOthers(db, stored.slice(0, limit).map(rowOf))
  const last = rows.at(-1)
  return {
    series: rows,
    next: last && stored.length > rows.length ? last.id + beginning(last.name) : null,
  }
}

/** As the database counts letters: a pair of surrogates is one. */
function beginning(name: string): string {
  return [...name].slice(0, ORDERING_LETTERS).join('')
}

/** Rows of series, in the order of their ids; what is not there, or in the trash, is left out. */
export function shelfRows(db: Database, ids: readonly string[]): ShelfRow[] {
  const stored = selectRows(db)
    .where(and(isNull(series.deletedAt), among(series.id, ids)))
    .all()
  const byId = new Map(stored.map((row) => [row.series.id, row]))
  return withOthers(
    db,
    ids.flatMap((id) => {
      const row = byId.get(id)
      return row ? [rowOf(row)] : []
    }),
  )
}

/** Rows with what few series have: further studies, kept forecasts, another series that they are calculated from, and what came of them in a run. */
function withOthers(db: Database, rows: readonly Alone[]): ShelfRow[] {
  const ids = rows.map(({ id }) => id)
  const others = db
    .select({ seriesId: studies.seriesId, id: studies.id, name: studies.name })
    .from(studies)
    .where(and(gt(studies.place, 0), among(studies.seriesId, ids)))
    .orderBy(asc(studies.place))
    .all()
  const bySeries = new Map<string, { id: string; name: string }[]>()
  for (const { seriesId, ...one } of others) {
    bySeries.set(seriesId, [...(bySeries.get(seriesId) ?? []), one])
  }
  const counted = db
    .select({ seriesId: keptForecasts.seriesId, kept: count() })
    .from(keptForecasts)
    .where(among(keptForecasts.seriesId, ids))
    .groupBy(keptForecasts.seriesId)
    .all()
  const kept = new Map(counted.map((one) => [one.seriesId, one.kept]))
  const derivations = derivationsOf(db, ids)
  const worked = workedOf(db, rows)
  return rows.map((row) => {
    const derived = derivations.get(row.id)
    const own = worked.get(row.id)
    return {
      ...row,
      others: bySeries.get(row.id) ?? [],
      kept: kept.get(row.id) ?? 0,
      ...(derived ? { derived } : {}),
      ...(own ? { worked: own } : {}),
    }
  })
}

/** All that a row says: no values, which can be a thousand times as long. */
function selectRows(db: Database) {
  return db
    .select({
      series,
      studyId: studies.id,
      start: vintages.start,
      summary: vintages.summary,
    })
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .innerJoin(studies, and(eq(studies.seriesId, series.id), eq(studies.place, 0)))
    .$dynamic()
}

/** A row without what is asked for beside it. */
type Alone = Omit<ShelfRow, 'others' | 'kept' | 'derived' | 'worked'>

function rowOf({
  series: stored,
  studyId,
  start: from,
  summary: { periods, missing, last },
}: ReturnType<ReturnType<typeof selectRows>['all']>[number]): Alone {
  const calendar = calendarOfRow(stored)
  const code = axisOf({ calendar, start: parsePeriod(from, calendar)! }).codeAt
  const { id, name, unit, group, notes, frequency, seasons, seasonNames } = stored
  return {
    ...{ id, studyId, name, unit, group, notes, frequency, seasons },
    ...(seasonNames ? { seasonNames } : {}),
    start: code(1),
    end: code(periods),
    periods,
    missing,
    last: last && { period: code(last.t), value: last.value, yearBefore: last.yearBefore },
    createdAt: stored.createdAt.toISOString(),
  }
}
