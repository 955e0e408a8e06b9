import { z } from 'zod'
import type { Frequency } from '../calendar/calendar'
import { MODELS, type Model } from '../model'

/** A value that does not count towards its season, and why. */
export interface Exclusion {
  /** Period code, `2019-06`. */
  readonly period: string
  readonly reason: string
}

/** The model of a decomposition; the values decide when it is left out. */
export const modelOption = z.enum(MODELS).optional()

/** Values left out of their season. */
export const excludeOption = z
  .array(
    z
      .strictObject({
        period: z.string().min(1).max(20),
        reason: z.string().trim().min(1).max(500),
      })
      .readonly(),
  )
  .max(20_000)
  .readonly()
  .optional()

/** What the options of every way have. */
export interface CommonOptions {
  readonly by: string
  readonly model: Model
  /** Only where there is a season to leave a value out of. */
  readonly exclude?: readonly Exclusion[]
}

/** What a way must know of a series to fill in its defaults. */
export interface Facts {
  /** The model that the values allow: multiplicative where all are above 0. */
  readonly model: Model
  /** Periods of the analysed span. */
  readonly periods: number
  readonly frequency: Frequency
  /** m */
  readonly seasons: number
}
