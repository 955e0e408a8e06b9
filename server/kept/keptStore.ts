import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import { judge } from '../../core/kept/judge'
import type { FrozenForecast, KeptForecast } from '../../core/kept/kept'
import type { Series } from '../../core/series/series'
import type { KeepRequest, KeptDocument, KeptRow } from '../../shared/api/kept'
import { documentFromSeries, seriesFromDocument } from '../../shared/seriesSchema'
import { VERSION } from '../../shared/version'
import type { Database } from '../database/open'
import { agreedForecasts, keptForecasts, series, studies } from '../database/schema'
import { findSeries, toSeries } from '../series/storedSeries'

type Row = typeof keptForecasts.$inferSelect

/** A forecast to be kept, with the figures that it came to. */
export interface ToKeep extends KeepRequest {
  readonly forecast: FrozenForecast
}

/**
 * Keeps a forecast of a series as it is now.
 *
 * @returns its id
 */
export function keepForecast(
  db: Database,
  seriesId: string,
  now: Series,
  { name, note, method, forecast }: ToKeep,
): string {
  const id = randomUUID()
  db.insert(keptForecasts)
    .values({
      ...{ id, seriesId, name, note, method, forecast },
      series: documentFromSeries(now),
      version: VERSION,
      createdAt: new Date(),
    })
    .run()
  return id
}

/**
 * Kept forecasts with how they did: those that need a new look first, then by how far they were off; what has not come yet is
 * last, the newest first.
 *
 * @param seriesId of one series; of all on the shelf where it is left out
 */
export function listKept(db: Database, seriesId?: string): KeptRow[] {
  const rows = db
    .select({ kept: keptForecasts })
    .from(keptForecasts)
    .innerJoin(series, eq(series.id, keptForecasts.seriesId))
    .where(
      and(
        isNull(series.deletedAt),
        seriesId === undefined ? undefined : eq(keptForecasts.seriesId, seriesId),
      ),
    )
    .orderBy(desc(keptForecasts.createdAt), desc(sql`${keptForecasts}.rowid`))
    .all()
  const known = new Map<string, Now | undefined>()
  return rows
    .flatMap(({ kept }) => {
      const now = known.has(kept.seriesId) ? known.get(kept.seriesId) : nowOf(db, kept.seriesId)
      known.set(kept.seriesId, now)
      return now ? [rowOf(kept, now)] : []
    })
    .sort(worstFirst)
}

/** A kept forecast with all that it was made of; undefined where there is none, or its series lies in the trash. */
export function findKept(db: Database, id: string): KeptDocument | undefined {
  const kept = db.select().from(keptForecasts).where(eq(keptForecasts.id, id)).get()
  const now = kept && nowOf(db, kept.seriesId)
  if (!now) return undefined
  return {
    ...rowOf(kept, now),
    seriesThen: kept.series,
    method: kept.method,
    forecast: kept.forecast,
    seriesNow: documentFromSeries(now.series),
  }
}

/** Calls one kept forecast of a series the agreed one, or none. @returns false where the series has no such */
export function agreeOn(db: Database, seriesId: string, keptId: string | null): boolean {
  return db.transaction((tx) => {
    if (!findSeries(db, seriesId)) return false
    if (keptId === null) {
      tx.delete(agreedForecasts).where(eq(agreedForecasts.seriesId, seriesId)).run()
      return true
    }
    const own = tx
      .select({ id: keptForecasts.id })
      .from(keptForecasts)
      .where(and(eq(keptForecasts.id, keptId), eq(keptForecasts.seriesId, seriesId)))
      .get()
    if (!own) return false
    tx.insert(agreedForecasts)
      .values({ seriesId, keptId })
      .onConflictDoUpdate({ target: agreedForecasts.seriesId, set: { keptId } })
      .run()
    return true
  })
}

/** What a record is held against: the series as it is now. */
interface Now {
  readonly series: Series
  readonly studyId: string
  readonly agreed: string | null
}

function nowOf(db: Database, seriesId: string): Now | undefined {
  const stored = findSeries(db, seriesId)
  if (!stored) return undefined
  const study = db
    .select({ id: studies.id })
    .from(studies)
    .where(eq(studies.seriesId, seriesId))
    .orderBy(asc(studies.place))
    .limit(1)
    .get()
  const agreed = db
    .select({ keptId: agreedForecasts.keptId })
    .from(agreedForecasts)
    .where(eq(agreedForecasts.seriesId, seriesId))
    .get()
  return study && { series: toSeries(stored), studyId: study.id, agreed: agreed?.keptId ?? null }
}

/** A row of the database as the core has it. */
function forecastOf({ series: document, method, forecast }: Row): KeptForecast {
  return { series: seriesFromDocument(document), method, forecast }
}

function rowOf(kept: Row, { series: now, studyId, agreed }: Now): KeptRow {
  const { id, seriesId, name, note, version, forecast, createdAt } = kept
  return {
    ...{ id, seriesId, studyId, name, note, version },
    series: now.name,
    unit: now.unit,
    calendar: now.calendar,
    isAgreed: agreed === id,
    from: forecast.period[0]!,
    to: forecast.period.at(-1)!,
    createdAt: createdAt.toISOString(),
    judged: judge(forecastOf(kept), now),
  }
}

function worstFirst(a: KeptRow, b: KeptRow): number {
  return rank(a) - rank(b) || (b.judged.off?.by ?? 0) - (a.judged.off?.by ?? 0)
}

/** Per cent and units do not compare: those in units stand behind. */
function rank({ judged: { need, off } }: KeptRow): number {
  if (!off) return 3
  if (need) return 0
  return off.in === 'percent' ? 1 : 2
}
