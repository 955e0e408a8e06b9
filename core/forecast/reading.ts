import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { TermKind } from '../regression/fullReport'
import type { Term } from '../regression/report'
import type { TrendOptions } from '../trend/ways'

/** A coefficient with what it means in words. */
export interface Reading {
  readonly term: Term
  readonly kind: TermKind
  /** `each month adds 111 litres (1,332 litres a year)` */
  readonly reads: string
  /** Of a logarithm the 95% limits as shares, `−37% to −36%`; undefined where they are those of the estimate. */
  readonly range: string | undefined
  /** Whether it can be told from nothing at 5%. */
  readonly isTold: boolean
}

/** What a regression says, in words. */
export interface RegressionReadings {
  /** Every coefficient, in the order of the report. */
  readonly terms: readonly Reading[]
  /** Every season against the average one, season 1 first; none without a season. */
  readonly seasons: readonly string[]
}

/** What the words are made of beside the report. */
export interface ReadingSeries {
  readonly trend: TrendOptions
  readonly calendar: Calendar
  readonly start: Period
  readonly unit: string
  /** What the values are called: `sales`. */
  readonly noun: string
}
