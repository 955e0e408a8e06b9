import type { Calendar } from '../calendar/calendar'
import { axisOf } from '../calendar/axis'
import type { Period } from '../calendar/period'
import { Refusal } from '../refusal'

/** What stands for time in trends and regressions. */
export interface TimeVariable {
  readonly kind: TimeKind
  /** In a list of columns: `t`. */
  readonly name: string
  /** In an equation: `time code`. */
  readonly label: string
  readonly means: string
  /** Its value at a time code. */
  at(t: number): number
}

export const TIME_KINDS = ['code', 'days'] as const
export type TimeKind = (typeof TIME_KINDS)[number]

/** Of the average year. */
export const DAYS_A_YEAR = 365.25

/** The time code itself: every period counts alike. */
export const TIME_CODE: TimeVariable = {
  kind: 'code',
  name: 't',
  label: 'time code',
  means: 'time code',
  at: (t) => t,
}

/** Whether the periods of a calendar have days: a year cut into seven seasons has none, and an hour is less than one. */
export function hasDays({ frequency }: Pick<Calendar, 'frequency'>): boolean {
  return frequency !== 'seasons' && frequency !== 'hourly'
}

/**
 * Days from the first day of the first period to the first day of each: a month of 31 days then counts for more
 * than one of 28.
 *
 * @param start the period of time code 1
 * @throws Refusal where the periods have no days
 * @example of months from Jan 2019, at time code 3: 59
 */
export function timeInDays(calendar: Calendar, start: Period): TimeVariable {
  if (!hasDays(calendar)) {
    throw new Refusal(
      'These periods have no dates, so time cannot be counted in days.',
      'trend.time',
    )
  }
  const { firstDay } = axisOf({ calendar, start })
  const origin = firstDay(1)!
  return {
    kind: 'days',
    name: 'days',
    label: 'days',
    means: 'days since the first period began',
    at: (t) => firstDay(t)! - origin,
  }
}

/** The time variable of a kind. @throws Refusal for days where the periods have none */
export function timeOf(kind: TimeKind, calendar: Calendar, start: Period): TimeVariable {
  return kind === 'days' ? timeInDays(calendar, start) : TIME_CODE
}

/** Units of time in an average year: periods, or days. */
export function timePerYear({ kind }: TimeVariable, seasons: number): number {
  return kind === 'days' ? DAYS_A_YEAR : seasons
}
