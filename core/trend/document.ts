import { z } from 'zod'
import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import { TIME_KINDS } from '../regression/timeVariable'
import { TREND_FORM_NAMES } from './forms'
import { TREND_SMOOTHINGS } from './smoothed/slope'

/** A break as it stands in a document. */
export interface BreakAt {
  /** Period code of the first period of the new slope. */
  readonly period: string
  /** Whether the level steps there too. */
  readonly level: boolean
}

/** More breaks than this are no trend any more. */
const MOST_BREAKS = 100

/** The trend, as a person or a script writes it. */
export const trendDocument = z
  .strictObject({
    form: z.enum(TREND_FORM_NAMES),
    time: z.enum(TIME_KINDS),
    breaks: z
      .array(
        z
          .strictObject({ period: z.string().min(1).max(20), level: z.boolean().optional() })
          .readonly(),
      )
      .max(MOST_BREAKS)
      .readonly(),
    /** Of a smoothed trend alone: what its slope does. */
    smoothing: z.enum(TREND_SMOOTHINGS),
    /** Fit to the last N periods of the span only, missing ones included. */
    last: z.int().min(1),
  })
  .partial()
export type TrendDocument = z.infer<typeof trendDocument>

/** What a trend must know of its series. */
export interface TrendFacts {
  readonly calendar: Calendar
  readonly start: Period
  /** Time codes of the analysed span. */
  readonly firstT: number
  readonly lastT: number
  /** The time code of a period of the series. @throws Refusal for any other */
  timeCode(code: string, where: string): number
}
