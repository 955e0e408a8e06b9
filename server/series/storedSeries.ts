import { and, asc, eq, isNull } from 'drizzle-orm'
import { calendarOf, type Calendar } from '../../core/calendar/calendar'
import { parsePeriod } from '../../core/calendar/codes'
import { adjustmentsWithin } from '../../core/series/adjusted'
import type { Adjustment, Series } from '../../core/series/series'
import type { About } from '../../shared/api/series'
import type { Database } from '../database/open'
import { adjustments, series, vintages } from '../database/schema'

/** A stored row of a series with its newest values and what was adjusted since. */
export type StoredSeries = typeof series.$inferSelect & {
  readonly vintage: typeof vintages.$inferSelect
  readonly adjustments: readonly Adjustment[]
}

/** Lays down the adjustments of a series: those that are not in the list are taken back. */
export function writeAdjustments(
  db: Pick<Database, 'insert' | 'delete'>,
  seriesId: string,
  wanted: readonly Adjustment[],
): void {
  db.delete(adjustments).where(eq(adjustments.seriesId, seriesId)).run()
  const createdAt = new Date()
  for (const { period, value, reason } of wanted) {
    db.insert(adjustments).values({ seriesId, period, value, reason, createdAt }).run()
  }
}

function adjustmentsOf(db: Database, seriesId: string): Adjustment[] {
  return db
    .select({
      period: adjustments.period,
      value: adjustments.value,
      reason: adjustments.reason,
    })
    .from(adjustments)
    .where(eq(adjustments.seriesId, seriesId))
    .orderBy(asc(adjustments.period))
    .all()
}

/** A series that is not in the trash, or undefined. */
export function findSeries(db: Database, id: string): StoredSeries | undefined {
  const row = db
    .select()
    .from(series)
    .innerJoin(vintages, eq(vintages.id, series.vintageId))
    .where(and(eq(series.id, id), isNull(series.deletedAt)))
    .get()
  return row && { ...row.series, vintage: row.vintages, adjustments: adjustmentsOf(db, id) }
}

/** What a stored series is called, counted in and filed under. */
export function aboutOf({ name, unit, noun, quantity, group, notes }: StoredSeries): About {
  return { name, unit, noun, quantity, group, notes }
}

/** How the periods of a stored series are counted. */
export function calendarOfRow({
  frequency,
  seasons,
  yearStart,
  seasonNames,
}: typeof series.$inferSelect): Calendar {
  return calendarOf(frequency, {
    ...{ seasons, yearStart },
    ...(seasonNames ? { seasonNames } : {}),
  })
}

/** The core's series behind a stored row. */
export function toSeries(stored: StoredSeries): Series {
  const calendar = calendarOfRow(stored)
  const series = {
    name: stored.name,
    unit: stored.unit,
    noun: stored.noun,
    quantity: stored.quantity,
    calendar,
    start: parsePeriod(stored.vintage.start, calendar)!,
    values: stored.vintage.values,
  }
  return { ...series, adjustments: adjustmentsWithin(series, stored.adjustments) }
}
