import { z } from 'zod'
import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import { TIME_KINDS, type TimeKind } from '../regression/timeVariable'

/** What every trend is asked beside its form. */
export const commonTrend = {
  time: z.enum(TIME_KINDS),
  /** Fit to the last N periods of the span only, missing ones included. */
  last: z.int().min(1),
}

/** The same, as a person or a script writes it. */
export interface CommonTrendDocument {
  readonly time?: TimeKind | undefined
  readonly last?: number | undefined
}

/** The same, complete. */
export interface CommonTrend {
  readonly time: TimeKind
  readonly last?: number
}

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

/** A part of the analysed span that a method is fitted to, to see how it would have done after it. */
export interface TrainingSpan {
  /** Time codes of the first and the last period that the trend is fitted to. */
  readonly from: number
  readonly to: number
  timeCode(code: string): number
}
