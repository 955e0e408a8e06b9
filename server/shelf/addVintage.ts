import { eq } from 'drizzle-orm'
import type { Calendar } from '../../core/calendar/calendar'
import { formatPeriod } from '../../core/calendar/codes'
import { Refusal } from '../../core/refusal'
import { broughtUpToDate, type BroughtUpToDate } from '../../core/series/broughtUpToDate'
import type { NewSeries, SeriesUpdate } from '../../shared/api/series'
import { seriesFromDocument } from '../../shared/seriesSchema'
import type { Database } from '../database/open'
import { series, vintages } from '../database/schema'
import { requireFile } from '../files/fileStore'
import { aboutOf, findSeries, toSeries } from '../series/storedSeries'
import { newVintage } from '../series/vintageStore'
import { keepFirstSteps } from '../studies/deskStore'
import { raiseVersions } from '../studies/versions'

/**
 * Brings a series up to date: the values, with those from before that they no longer have, become its newest vintage, and
 * its present one; the earlier ones stay. Copies of its studies that are open elsewhere are stale from then on.
 *
 * @returns whether there is such a series
 * @throws Refusal when the values are counted differently from the series
 */
export function addVintage(
  db: Database,
  id: string,
  { vanished = 'keep', ...incoming }: NewSeries & Partial<Pick<SeriesUpdate, 'vanished'>>,
): boolean {
  const stored = findSeries(db, id)
  if (!stored) return false
  const now = seriesFromDocument(incoming.series)
  const { calendar } = now
  if (calendar.frequency !== stored.frequency || calendar.seasons !== stored.seasons) {
    throw new Refusal(
      `The series is ${stored.frequency}, and the new values are ${calendar.frequency}.`,
      'series.frequency',
    )
  }
  const merged =
    vanished === 'drop'
      ? null
      : broughtUpToDate({ ...toSeries(stored), values: stored.vintage.values }, now)
  db.transaction((tx) => {
    const at = new Date()
    keepFirstSteps(tx, id, {
      adjustments: [...(toSeries(stored).adjustments ?? [])],
      about: aboutOf(stored),
      vintageId: stored.vintage.id,
    })
    const document = merged ? withOlder(incoming, merged, calendar) : incoming
    writeVintage(tx, id, document, calendar.seasons, at)
    tx.update(series).set({ updatedAt: at }).where(eq(series.id, id)).run()
    raiseVersions(tx, [id])
  })
  return true
}

/** What came in with what was carried over, and how much that was. */
function withOlder(
  { series: document, source, fileId }: NewSeries,
  { start, values, carriedOver }: BroughtUpToDate,
  calendar: Calendar,
): NewSeries {
  return {
    series: { ...document, start: formatPeriod(start, calendar), values: [...values] },
    source: { ...source, ...(carriedOver > 0 ? { carriedOver } : {}) },
    fileId,
  }
}

/** Keeps values as they came in, and makes them the series' present ones. */
function writeVintage(
  db: Pick<Database, 'insert' | 'select' | 'update'>,
  seriesId: string,
  incoming: NewSeries,
  seasons: number,
  createdAt: Date,
): void {
  if (incoming.fileId !== undefined) requireFile(db, incoming.fileId)
  const vintage = newVintage(seriesId, incoming, seasons, createdAt)
  db.insert(vintages).values(vintage).run()
  db.update(series).set({ vintageId: vintage.id }).where(eq(series.id, seriesId)).run()
}
