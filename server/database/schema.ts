import { sql, type AnyColumn, type SQL } from 'drizzle-orm'
import { blob, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Frequency } from '../../core/calendar/calendar'
import type { LastAgainst } from '../../core/catalogue/against'
import type { CatalogueForecast, CatalogueRow } from '../../core/catalogue/row'
import type { Contest } from '../../core/contest/contest'
import type { FrozenForecast } from '../../core/kept/kept'
import type { MethodDocument } from '../../core/method'
import type { Quantity } from '../../core/series/quantity'
import type { Value } from '../../core/series/series'
import type { ReportChoices } from '../../handover/report/choices'
import type { RunState, RunTask } from '../../shared/api/catalogue'
import type { TakeOnRow } from '../../shared/api/derived'
import type { Source } from '../../shared/api/series'
import type { BenchView, StudyContent } from '../../shared/api/desk'
import type { SeriesDocument } from '../../shared/seriesSchema'

/** What a row of the shelf says of values, kept with them so that no page of the shelf has to read them. */
export interface ValuesSummary {
  readonly periods: number
  readonly missing: number
  /** The last value that is there: its place, from 1, and that of the same season a year before. */
  readonly last: {
    readonly t: number
    readonly value: number
    readonly yearBefore: number | null
  } | null
}

/** Letters of a name that order the shelf: names can be longer than an address may be that says where a page ended. */
export const ORDERING_LETTERS = 200

/** What the shelf is ordered by. */
export function orderedName(name: AnyColumn): SQL {
  return sql`substr(${name}, 1, ${sql.raw(String(ORDERING_LETTERS))})`
}

/** A series: what it is called and counted in. Its values are in its vintages. */
export const series = sqliteTable(
  'series',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    unit: text().notNull(),
    /** What the values are called; empty for the word in the name. */
    noun: text().notNull().default(''),
    /** Whether values add up over time. */
    quantity: text().$type<Quantity>().notNull().default('flow'),
    frequency: text().$type<Frequency>().notNull(),
    seasons: integer().notNull(),
    yearStart: integer('year_start').notNull(),
    /** What the seasons are called, where not by their number. */
    seasonNames: text('season_names', { mode: 'json' }).$type<string[]>(),
    /** What the analyst files it under on the shelf; empty for none. */
    group: text('shelf_group').notNull().default(''),
    notes: text().notNull().default(''),
    /** The vintage whose values are the series' present ones. */
    vintageId: text('vintage_id').notNull().default(''),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
    /** Set while the series lies in the trash. */
    deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  },
  (table) => [index('series_by_name').on(orderedName(table.name), table.id)],
)

/** Files as they were brought in, packed, to be had back. */
export const files = sqliteTable('files', {
  id: text().primaryKey(),
  name: text().notNull(),
  /** Gzip. */
  packed: blob({ mode: 'buffer' }).notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
})

/** The values of a series as they came in. A trigger refuses every later change. */
export const vintages = sqliteTable(
  'vintages',
  {
    id: text().primaryKey(),
    seriesId: text('series_id')
      .notNull()
      .references(() => series.id),
    /** Period code of the first value. */
    start: text().notNull(),
    values: text({ mode: 'json' }).$type<Value[]>().notNull(),
    /** What the shelf says of them. */
    summary: text({ mode: 'json' })
      .$type<ValuesSummary>()
      .notNull()
      .default({ periods: 0, missing: 0, last: null }),
    source: text({ mode: 'json' }).$type<Source>().notNull(),
    /** The file they were read from, where it was kept. */
    fileId: text('file_id').references(() => files.id),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('vintages_of_series').on(table.seriesId)],
)

/** Values the analyst replaced or left out; what came in stays in the vintage. */
export const adjustments = sqliteTable(
  'adjustments',
  {
    seriesId: text('series_id')
      .notNull()
      .references(() => series.id),
    /** Period code. */
    period: text().notNull(),
    /** Null leaves the value out. */
    value: real(),
    reason: text().notNull(),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.seriesId, table.period] })],
)

/** Series that are a calculated row of another: they follow its values. */
export const derivedSeries = sqliteTable(
  'derived_series',
  {
    seriesId: text('series_id')
      .primaryKey()
      .references(() => series.id),
    /** What it is calculated from; null once that was deleted for good. */
    fromId: text('from_id').references(() => series.id),
    /** Of the ledger by its name, one that is looked at beside it, or the values gathered. */
    row: text('ledger_row', { mode: 'json' }).$type<TakeOnRow['row']>().notNull(),
    /** What the row is called: `Deseasonalized`. */
    label: text().notNull(),
    /** As it was when the row was taken on. */
    method: text({ mode: 'json' }).$type<MethodDocument>().notNull(),
    /** Of the values that it was last calculated from: another one, and it is to be calculated anew. */
    stamp: text().notNull(),
    /** Why it could not be calculated from the present values; empty where it was. */
    problem: text().notNull().default(''),
  },
  (table) => [index('derived_series_from').on(table.fromId)],
)

/** A series with a method. The version rises with every save, so that a stale copy is noticed. */
export const studies = sqliteTable(
  'studies',
  {
    id: text().primaryKey(),
    seriesId: text('series_id')
      .notNull()
      .references(() => series.id),
    /** What its tab says; empty where what differs is to name it. */
    name: text().notNull().default(''),
    /** 0 opens with the series; others stand behind it in this order. */
    place: integer().notNull().default(0),
    method: text({ mode: 'json' }).$type<MethodDocument>().notNull(),
    /** Whether the method is still to be found by rule; until then it is the smallest document. */
    toBegin: integer('to_begin', { mode: 'boolean' }).notNull().default(false),
    version: integer().notNull(),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('studies_of_series').on(table.seriesId)],
)

/** Forecasts as they were handed over, with all that they were made of. A trigger refuses every later change. */
export const keptForecasts = sqliteTable(
  'kept_forecasts',
  {
    id: text().primaryKey(),
    seriesId: text('series_id')
      .notNull()
      .references(() => series.id),
    name: text().notNull(),
    note: text().notNull(),
    /** As it was then, with its adjustments. */
    series: text('series_then', { mode: 'json' }).$type<SeriesDocument>().notNull(),
    method: text({ mode: 'json' }).$type<MethodDocument>().notNull(),
    forecast: text({ mode: 'json' }).$type<FrozenForecast>().notNull(),
    /** Of Elvant. */
    version: text().notNull(),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('kept_forecasts_of_series').on(table.seriesId)],
)

/** Which kept forecast of a series is the agreed one. */
export const agreedForecasts = sqliteTable('agreed_forecasts', {
  seriesId: text('series_id')
    .primaryKey()
    .references(() => series.id),
  keptId: text('kept_id')
    .notNull()
    .references(() => keptForecasts.id),
})

/** The last contest of methods that was held over the series of a study. */
export const contests = sqliteTable('contests', {
  studyId: text('study_id')
    .primaryKey()
    .references(() => studies.id, { onDelete: 'cascade' }),
  /** Digest of what it was held over. */
  of: text('held_over').notNull(),
  contest: text({ mode: 'json' }).$type<Contest>().notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
})

/** What the analyst has chosen for the report of a study, and wrote into it. */
export const reports = sqliteTable('reports', {
  studyId: text('study_id')
    .primaryKey()
    .references(() => studies.id, { onDelete: 'cascade' }),
  choices: text({ mode: 'json' }).$type<ReportChoices>().notNull(),
})

/** What a study was, step by step, for undo: the steps up to the present one and those that were gone back over. */
export const studySteps = sqliteTable(
  'study_steps',
  {
    studyId: text('study_id')
      .notNull()
      .references(() => studies.id, { onDelete: 'cascade' }),
    /** Rises along the steps. */
    n: integer().notNull(),
    content: text({ mode: 'json' }).$type<StudyContent>().notNull(),
    /** Whether the study is at this step. */
    isPresent: integer('is_present', { mode: 'boolean' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.studyId, table.n] })],
)

/** How the Bench of a study was left. */
export const studyViews = sqliteTable('study_views', {
  studyId: text('study_id')
    .primaryKey()
    .references(() => studies.id, { onDelete: 'cascade' }),
  view: text({ mode: 'json' }).$type<BenchView>().notNull(),
})

/** Work over many series, done one after another: the newest is the one that is going on, or was the last to. */
export const catalogueRuns = sqliteTable('catalogue_runs', {
  id: integer().primaryKey({ autoIncrement: true }),
  state: text().$type<RunState>().notNull(),
  /** What is done with each series. */
  task: text({ mode: 'json' }).$type<RunTask>().notNull(),
  /** How many series it began with. */
  of: integer('series_in_all').notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
})

/** Series that a run has still to do: each goes in the transaction that keeps what came of it, so that nothing is done twice. */
export const catalogueLeft = sqliteTable(
  'catalogue_left',
  {
    runId: integer('run_id')
      .notNull()
      .references(() => catalogueRuns.id, { onDelete: 'cascade' }),
    seriesId: text('series_id').notNull(),
    /** Periods that it ends before the others of its rhythm. */
    behind: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.seriesId] })],
)

/** What came of a series when it was last worked through. */
export const catalogueRows = sqliteTable('catalogue_rows', {
  seriesId: text('series_id')
    .primaryKey()
    .references(() => series.id, { onDelete: 'cascade' }),
  row: text('worked_row', { mode: 'json' }).$type<CatalogueRow>().notNull(),
  /** Of the values that it was worked through with: others, and the row is of before. */
  stamp: text().notNull(),
  /** What was to look at when somebody had seen it; null until then. */
  seen: text({ mode: 'json' }).$type<readonly string[]>(),
  /** What was noted of it then. */
  seenNote: text('seen_note').notNull().default(''),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  /** The newest value beside what had been forecast of it before it came; null where nothing had. */
  against: text({ mode: 'json' }).$type<LastAgainst>(),
  /** What is forecast; null where that is refused. Last, as it is the longest and read the least. */
  forecast: text({ mode: 'json' }).$type<CatalogueForecast>(),
})
