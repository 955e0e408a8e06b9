import { isFinerThanMonths } from '../../core/calendar/calendar'
import { weekdayShares, type WeekdayShares } from '../../core/seasonality/weekdayShares'
import { isDeepStrictEqual } from 'node:util'
import { and, eq, isNull } from 'drizzle-orm'
import { analyse } from '../../core/analyse'
import { axisOf } from '../../core/calendar/axis'
import { begin } from '../../core/begin'
import { besideColumn } from '../../core/beside/besideColumn'
import { rowAsSeries, rowNamed } from '../../core/ledger/rowAsSeries'
import { lookAt } from '../../core/look'
import type { MethodDocument } from '../../core/method'
import { Refusal } from '../../core/refusal'
import { gathered, gatheredLabel, gatheredName, mayLackSome } from '../../core/series/gathered'
import type { Series } from '../../core/series/series'
import type { GatheredRow, TakeOnRow } from '../../shared/api/derived'
import { sourceOf, type NewSeries } from '../../shared/api/series'
import { documentFromSeries, LONGEST_NAME, seriesDocumentSchema } from '../../shared/seriesSchema'
import { among } from '../database/among'
import type { Database } from '../database/open'
import { derivedSeries, series } from '../database/schema'
import { stampOf } from '../series/derivation'
import { findSeries, toSeries, type StoredSeries } from '../series/storedSeries'
import { addVintage } from '../shelf/addVintage'
import { keepSeries } from '../shelf/shelfStore'

/** A row as it is to be kept, and of what it was calculated. */
export interface CalculatedRow {
  readonly fromId: string
  readonly stamp: string
  readonly asked: TakeOnRow
  readonly incoming: NewSeries
  readonly label: string
  /** What the new series begins with. */
  readonly method: MethodDocument
}

/**
 * Calculates a row of a series, to be kept as one of its own.
 *
 * @throws Refusal as the method does, and for a row that can be no series
 */
export function calculateRow(stored: StoredSeries, asked: TakeOnRow): CalculatedRow {
  const { row, method } = asked
  const made = rowOf(stored, row, method)
  const own = made.series
  return {
    ...{ fromId: stored.id, stamp: stampOf(stored), asked },
    incoming: asNew(made),
    label: isGathered(row) ? gatheredLabel(row) : own.name.slice(0, -` of ${stored.name}`.length),
    method: begin(own).method,
  }
}

/**
 * Keeps a calculated row as a series.
 *
 * @returns its id; of values that were gathered so before, the id that they have
 */
export function keepRow(
  db: Database,
  { fromId, stamp, asked, incoming, label, method }: CalculatedRow,
): string {
  return db.transaction((tx) => {
    const known = isGathered(asked.row) ? sameOf(tx as Database, fromId, asked) : undefined
    if (known) return known
    const [id] = keepSeries(tx as Database, [incoming], [method])
    const { row } = asked
    tx.insert(derivedSeries)
      .values({ seriesId: id!, fromId, row, label, method: asked.method, stamp })
      .run()
    return id!
  })
}

/** The series that is the same row of the same origin already, where it is on the shelf. */
function sameOf(db: Database, fromId: string, asked: TakeOnRow): string | undefined {
  const same = db
    .select({ id: derivedSeries.seriesId, row: derivedSeries.row, method: derivedSeries.method })
    .from(derivedSeries)
    .innerJoin(series, and(eq(series.id, derivedSeries.seriesId), isNull(series.deletedAt)))
    .where(eq(derivedSeries.fromId, fromId))
    .all()
    .find(({ row, method }) => isDeepStrictEqual({ row, method }, asked))
  return same?.id
}

/** What became of a row after a change of its values. */
export interface RefreshedRow {
  readonly seriesId: string
  readonly stamp: string
  /** Newer values; null where they are the same, or cannot be calculated. */
  readonly incoming: NewSeries | null
  readonly problem: string
}

/**
 * Calculates the rows of series anew whose values are others than those that they were calculated from.
 *
 * @param fromIds what they are calculated from
 */
export function refreshedRows(db: Database, fromIds: readonly string[]): RefreshedRow[] {
  return db
    .select()
    .from(derivedSeries)
    .where(among(derivedSeries.fromId, fromIds))
    .all()
    .flatMap(({ seriesId, fromId, row, method, stamp: before }) => {
      const own = findSeries(db, seriesId)
      const from = fromId === null ? undefined : findSeries(db, fromId)
      if (!own || !from) return []
      const stamp = stampOf(from)
      if (stamp === before) return []
      try {
        const incoming = asNew(rowOf(from, row, method))
        const { start, values } = incoming.series
        const isSame =
          start === own.vintage.start &&
          JSON.stringify(values) === JSON.stringify(own.vintage.values)
        return [{ seriesId, stamp, incoming: isSame ? null : incoming, problem: '' }]
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        return [{ seriesId, stamp, incoming: null, problem: error.because }]
      }
    })
}

/** Writes down rows that were calculated anew. @returns ids of the series whose values are others now */
export function keepRefreshed(db: Database, refreshed: readonly RefreshedRow[]): string[] {
  return refreshed.flatMap(({ seriesId, stamp, incoming, problem }) => {
    const now = db
      .select({ stamp: derivedSeries.stamp })
      .from(derivedSeries)
      .where(eq(derivedSeries.seriesId, seriesId))
      .get()
    // Someone else has calculated it of the same values in the meantime.
    if (!now || now.stamp === stamp) return []
    const isChanged =
      incoming !== null && addVintage(db, seriesId, { ...incoming, vanished: 'drop' })
    db.update(derivedSeries)
      .set({ stamp, problem })
      .where(eq(derivedSeries.seriesId, seriesId))
      .run()
    return isChanged ? [seriesId] : []
  })
}

function isGathered(row: TakeOnRow['row']): row is GatheredRow {
  return typeof row === 'object' && row.kind === 'gathered'
}

/** The series that a row becomes, and how the days differ that it was added up from. */
interface Made {
  readonly series: Series
  readonly weekdays: WeekdayShares | null
}

function rowOf(stored: StoredSeries, row: TakeOnRow['row'], method: MethodDocument): Made {
  if (isGathered(row)) return gatheredValues(toSeries(stored), row, method)
  const result = analyse(toSeries(stored), method)
  if (typeof row === 'string') {
    return { series: rowAsSeries(result, rowNamed(result, row)), weekdays: null }
  }
  const column = besideColumn(result, row)
  const series = rowAsSeries(result, column, `${column.label} (${column.means})`)
  return { series, weekdays: null }
}

/** The values as they are used, adjusted and filled, in a coarser rhythm. */
function gatheredValues(from: Series, { to, by }: GatheredRow, method: MethodDocument): Made {
  const { value: values, t } = lookAt(from, method).columns
  const start = axisOf(from).periodAt(t[0]!)
  const own = { ...from, start, values }
  return {
    series: { ...gathered(own, to, by), name: gatheredName(from, to, by) },
    weekdays: by === 'sum' && !isFinerThanMonths({ frequency: to }) ? weekdaysOf(own) : null,
  }
}

/** How the days of the week differ in a series of days or hours; null of any other. */
function weekdaysOf(own: Series): WeekdayShares | null {
  if (!mayLackSome(own.calendar)) return null
  const { firstDay } = axisOf(own)
  return weekdayShares(own.values.map((value, i) => ({ day: firstDay(i + 1)!, value })))
}

/** As if it had come in from a file that is called like it. */
function asNew({ series, weekdays }: Made): NewSeries {
  const document = seriesDocumentSchema.parse({
    ...documentFromSeries(series),
    name: series.name.slice(0, LONGEST_NAME),
    noun: (series.noun ?? '').slice(0, LONGEST_NOUN),
  })
  return {
    series: document,
    source: sourceOf(series.name.slice(0, LONGEST_FILE), { column: null, weekdays }),
  }
}

const LONGEST_NOUN = 60
const LONGEST_FILE = 1000
