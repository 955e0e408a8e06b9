import { WEEKDAYS } from '../../core/calendar/civil'
import type { WeekdayShares } from '../../core/seasonality/weekdayShares'
import { z } from 'zod'
import { FREQUENCIES } from '../../core/calendar/calendar'
import type { Value } from '../../core/series/series'
import { QUANTITIES } from '../../core/series/quantity'
import { wellFormed } from '../visibleText'
import { workedSchema } from './catalogue'
import { derivedSchema } from './derived'
import {
  lineSchema,
  nameSchema,
  nounSchema,
  seriesDocumentSchema,
  unitSchema,
} from '../seriesSchema'

const idSchema = z.uuid()

/** How the days of the week differ, Monday first; null for a day that never has a value. */
const weekdaySharesSchema = z.strictObject({
  weeks: z.int().min(1),
  days: z
    .array(z.strictObject({ share: z.number(), standardError: z.number().min(0) }).nullable())
    .length(WEEKDAYS.length),
  f: z.number().min(0).nullable(),
  p: z.number().min(0).max(1).nullable(),
})

/** Where the values of a series came from. */
export const sourceSchema = z.strictObject({
  /** Name of the file, or `pasted`. */
  file: lineSchema.max(1000),
  /** Column of the file, from 1. */
  column: z.int().min(1).optional(),
  /** Periods whose values the file no longer had, kept from before. */
  carriedOver: z.int().min(1).optional(),
  /** How the days of the week differ that its periods were added up from. */
  weekdays: weekdaySharesSchema.optional(),
})
export type Source = z.infer<typeof sourceSchema>

/**
 * Where a series of a file came from.
 *
 * @param column of the file, from 0; null where its values stand in several
 */
export function sourceOf(
  file: string,
  {
    column,
    weekdays,
  }: { readonly column: number | null; readonly weekdays?: WeekdayShares | null },
): Source {
  return {
    file,
    ...(column === null ? {} : { column: column + 1 }),
    ...(weekdays ? { weekdays: { ...weekdays, days: [...weekdays.days] } } : {}),
  }
}

/** One series to be kept, from intake or a script. */
export const newSeriesSchema = z.strictObject({
  series: seriesDocumentSchema,
  source: sourceSchema,
  /** The kept file it was read from. */
  fileId: idSchema.optional(),
})
export type NewSeries = z.infer<typeof newSeriesSchema>

/** Newer values of a series that is kept; what they no longer have stays, unless it is to be dropped. */
export const updateSeriesSchema = newSeriesSchema.extend({
  vanished: z.enum(['keep', 'drop']).default('keep'),
})
export type SeriesUpdate = z.infer<typeof updateSeriesSchema>

/** Newer values of several series at once: of all of them, or of none. */
export const updateAllSchema = z.strictObject({
  updates: z
    .array(updateSeriesSchema.extend({ id: idSchema }))
    .min(1)
    .max(12_000),
})

export const createSeriesSchema = z.strictObject({
  series: z.array(newSeriesSchema).min(1).max(12_000),
})
export type NewSeriesList = z.infer<typeof createSeriesSchema>

/** What a series is called, counted in and filed under. */
export const aboutSchema = z.strictObject({
  name: nameSchema,
  unit: unitSchema,
  /** What the values are called; empty for the word in the name. */
  noun: nounSchema.default(''),
  quantity: z.enum(QUANTITIES).default('flow'),
  group: lineSchema.max(200),
  notes: z.string().overwrite(wellFormed).max(20_000),
})
export type About = z.infer<typeof aboutSchema>

export const changeSeriesSchema = aboutSchema
  .extend({ noun: nounSchema, quantity: z.enum(QUANTITIES) })
  .partial()
export type SeriesChange = z.infer<typeof changeSeriesSchema>

/** The values of a series as they came in once. */
export const vintageSchema = z.strictObject({
  id: idSchema,
  start: z.string(),
  values: z.array(z.number().nullable()),
  source: sourceSchema,
  fileId: idSchema.nullable(),
  createdAt: z.iso.datetime(),
})
export type Vintage = z.infer<typeof vintageSchema>
export const vintagesSchema = z.strictObject({ vintages: z.array(vintageSchema) })

/** A row of the shelf. */
export const shelfRowSchema = z.strictObject({
  id: idSchema,
  /** The study that opens with the series. */
  studyId: idSchema,
  /** Further studies of it. */
  others: z.array(z.strictObject({ id: idSchema, name: z.string() })),
  /** Forecasts of it that are kept. */
  kept: z.int().min(0),
  /** What it is calculated from; left out for one that came in. */
  derived: derivedSchema.optional(),
  /** What came of it when it was last worked through; left out where it never was. */
  worked: workedSchema.optional(),
  name: z.string(),
  unit: z.string(),
  group: z.string(),
  notes: z.string(),
  frequency: z.enum(FREQUENCIES),
  seasons: z.int(),
  /** Own names of the seasons, where they have such. */
  seasonNames: z.array(z.string()).optional(),
  /** Period codes. */
  start: z.string(),
  end: z.string(),
  periods: z.int(),
  missing: z.int(),
  last: z
    .strictObject({
      period: z.string(),
      value: z.number(),
      /** The same season one year before. */
      yearBefore: z.number().nullable(),
    })
    .nullable(),
  createdAt: z.iso.datetime(),
})
export type ShelfRow = z.infer<typeof shelfRowSchema>

/** What is done to several series at once. */
export const seriesActSchema = z.discriminatedUnion('act', [
  z.strictObject({ act: z.literal('discard'), ids: z.array(idSchema).min(1).max(10_000) }),
  z.strictObject({ act: z.literal('restore'), ids: z.array(idSchema).min(1).max(10_000) }),
  /** For good: only what lies in the trash. */
  z.strictObject({ act: z.literal('erase'), ids: z.array(idSchema).min(1).max(10_000) }),
  z.strictObject({
    act: z.literal('group'),
    ids: z.array(idSchema).min(1).max(10_000),
    group: aboutSchema.shape.group,
  }),
])
export type SeriesAct = z.infer<typeof seriesActSchema>

export const EXPORT_KINDS = ['csv', 'xlsx', 'package'] as const
export type ExportKind = (typeof EXPORT_KINDS)[number]
export const exportRequestSchema = z.strictObject({
  ids: z.array(idSchema).min(1).max(10_000),
  as: z.enum(EXPORT_KINDS),
})

/** The forecasts of series that were worked through, as a file: of all of them where no ids are said. */
export const exportForecastsSchema = z.strictObject({
  ids: z.array(idSchema).min(1).max(20_000).optional(),
  as: z.enum(EXPORT_KINDS),
})

/** A series in the trash. */
export const trashSchema = z.strictObject({
  series: z.array(
    z.strictObject({
      id: idSchema,
      name: z.string(),
      group: z.string(),
      deletedAt: z.iso.datetime(),
    }),
  ),
})
export type TrashedSeries = z.infer<typeof trashSchema>['series'][number]

export const shelfSchema = z.strictObject({ series: z.array(shelfRowSchema) })

/** Which page of the shelf: what it begins after, and how many rows it has; more at once would hold other requests. */
export const shelfQuerySchema = z.strictObject({
  after: z.string().min(36).max(2000).optional(),
  limit: z.coerce.number().int().min(1).max(250).optional(),
})

export const shelfPageSchema = shelfSchema.extend({
  /** What the next page begins after; null where this is the last. */
  next: z.string().nullable(),
})
export type ShelfPage = z.infer<typeof shelfPageSchema>

/** Series whose values are asked for at once. */
export const MOST_VALUES = 100

export const valuesQuerySchema = z.strictObject({
  /** Ids with commas between them. */
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(idSchema).min(1).max(MOST_VALUES)),
  /** Values at most for each, to draw it small. */
  points: z.coerce.number().int().min(2).max(20_000).optional(),
})

/** The values of a series, in the answer as `{ series: […] }`. */
export interface SeriesValues {
  readonly id: string
  readonly values: readonly Value[]
  /** What was forecast behind them when the series was last worked through, for a small picture alone. */
  readonly ahead?: readonly Value[]
}

export const seriesIdParams = z.strictObject({ id: idSchema })
