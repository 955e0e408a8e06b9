import { z } from 'zod'
import type { Calendar } from '../../core/calendar/calendar'
import type { Judged } from '../../core/kept/judge'
import type { FrozenForecast } from '../../core/kept/kept'
import type { MethodDocument } from '../../core/method'
import { methodSchema } from '../methodSchema'
import { lineSchema, type SeriesDocument } from '../seriesSchema'
import { wellFormed } from '../visibleText'

/** A forecast of a series to be kept under a name. */
export const keepRequestSchema = z.strictObject({
  name: lineSchema.min(1, 'A kept forecast needs a name.').max(200),
  note: z.string().overwrite(wellFormed).max(20_000).default(''),
  method: methodSchema,
})
export type KeepRequest = z.infer<typeof keepRequestSchema>

/** Which kept forecast of a series is the agreed one; null for none. */
export const agreeSchema = z.strictObject({ keptId: z.uuid().nullable() })

export const keptQuerySchema = z.strictObject({ series: z.uuid().optional() })

/** What a list says of a kept forecast: whose it is, and how it did. */
export interface KeptRow {
  readonly id: string
  readonly seriesId: string
  /** The study that opens with the series. */
  readonly studyId: string
  /** As the series is called now. */
  readonly series: string
  readonly unit: string
  readonly calendar: Calendar
  readonly name: string
  readonly note: string
  /** Of Elvant. */
  readonly version: string
  readonly isAgreed: boolean
  /** Period codes. */
  readonly from: string
  readonly to: string
  readonly createdAt: string
  readonly judged: Judged
}

/** A kept forecast with all that it was made of. */
export interface KeptDocument extends KeptRow {
  readonly seriesThen: SeriesDocument
  readonly method: MethodDocument
  readonly forecast: FrozenForecast
  /** As the series is now. */
  readonly seriesNow: SeriesDocument
}
