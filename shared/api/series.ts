import { z } from 'zod'
import { FREQUENCIES } from '../../core/calendar/calendar'
import { nameSchema, seriesDocumentSchema, unitSchema } from '../seriesSchema'

const idSchema = z.uuid()

/** Where the values of a series came from. */
export const sourceSchema = z.strictObject({
  /** Name of the file, or `pasted`. */
  file: z.string().max(1000),
  /** Column of the file, from 1. */
  column: z.int().min(1).optional(),
})
export type Source = z.infer<typeof sourceSchema>

/** One series to be kept, from intake or a script. */
export const newSeriesSchema = z.strictObject({
  series: seriesDocumentSchema,
  source: sourceSchema,
})
export type NewSeries = z.infer<typeof newSeriesSchema>

export const createSeriesSchema = z.strictObject({
  series: z.array(newSeriesSchema).min(1).max(5000),
})

/** What a series is called, counted in and filed under. */
export const aboutSchema = z.strictObject({
  name: nameSchema,
  unit: unitSchema,
  group: z.string().trim().max(200),
  notes: z.string().max(20_000),
})
export type About = z.infer<typeof aboutSchema>

export const changeSeriesSchema = aboutSchema.partial()
export type SeriesChange = z.infer<typeof changeSeriesSchema>

/** A row of the shelf. */
export const shelfRowSchema = z.strictObject({
  id: idSchema,
  /** The study that opens with the series. */
  studyId: idSchema,
  name: z.string(),
  unit: z.string(),
  group: z.string(),
  notes: z.string(),
  frequency: z.enum(FREQUENCIES),
  seasons: z.int(),
  /** Period codes. */
  start: z.string(),
  end: z.string(),
  periods: z.int(),
  missing: z.int(),
  /** All values, for the small chart. */
  values: z.array(z.number().nullable()),
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

export const shelfSchema = z.strictObject({ series: z.array(shelfRowSchema) })

export const seriesIdParams = z.strictObject({ id: idSchema })
