import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Quantity } from './quantity'

/** A value of a series or of a calculation; `null` is undefined or missing, never 0 and never NaN. */
export type Value = number | null

/** A value of a series that the analyst replaced or left out, and why. The original stays beside it. */
export interface Adjustment {
  /** Period code, `2019-06`. */
  readonly period: string
  /** What the calculation uses instead, in units of the series; null leaves the value out. */
  readonly value: Value
  readonly reason: string
}

/** Consecutive periods with their values. A period without a value is missing, never skipped. */
export interface Series {
  readonly name: string
  /** What is counted, as written behind a number: `litres`, `thousand euros`. */
  readonly unit: string
  /** What the values are, `sales`, `price index`; found in the name when left out or empty. */
  readonly noun?: string
  /** Whether values add up over time; a flow when left out. */
  readonly quantity?: Quantity
  readonly calendar: Calendar
  /** The period of time code 1. */
  readonly start: Period
  /** One entry a period, from time code 1, as they came in. */
  readonly values: readonly Value[]
  /** What the analyst replaced or left out since; none when left out. */
  readonly adjustments?: readonly Adjustment[]
}
