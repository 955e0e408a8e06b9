import { calendarOf, type Calendar } from '../core/calendar/calendar'
import type { Period } from '../core/calendar/period'
import type { PeriodReading } from './periodText'

/** A calendar that fits all periods of a file, and each row's period in it. */
export type TimeAxis =
  | { readonly calendar: Calendar; readonly periods: readonly Period[] }
  | { readonly refusedAt: number; readonly because: string }

/**
 * Finds the frequency from the periods themselves: the largest step that fits all distances
 * between them. Months a quarter apart are quarters, months twelve apart are years.
 *
 * @param readings one a row, in the order of the file
 * @returns the calendar with the rows' periods, or the row (from 0) that cannot be right
 */
export function findTimeAxis(readings: readonly PeriodReading[]): TimeAxis {
  const quarters = readings.filter((reading) => reading.kind === 'quarter').length
  if (quarters > 0 && quarters < readings.length) {
    const first = readings[0]!.kind
    return {
      refusedAt: readings.findIndex((reading) => reading.kind !== first),
      because: 'months and quarters stand in one column; a series has one of them',
    }
  }
  if (quarters > 0) {
    return {
      calendar: calendarOf('quarterly'),
      periods: readings.map((reading) => ({
        year: reading.year,
        season: reading.kind === 'quarter' ? reading.quarter : reading.month,
      })),
    }
  }
  const months = readings.map((reading) =>
    reading.kind === 'month' ? reading.year * 12 + reading.month - 1 : 0,
  )
  const daily = dailyRow(readings, months)
  if (daily !== null) {
    return {
      refusedAt: daily,
      because:
        'this is another day of a month that has come before. Daily rows are not months; sum them to months first',
    }
  }
  const step = largestCommonStep(months)
  const calendar = calendarOf(
    step % 12 === 0 && step > 0
      ? 'yearly'
      : step % 6 === 0 && step > 0
        ? 'half-yearly'
        : step % 3 === 0 && step > 0
          ? 'quarterly'
          : 'monthly',
  )
  const perSeason = 12 / calendar.seasons
  return {
    calendar,
    periods: months.map((month) => ({
      year: Math.floor(month / 12),
      season: Math.floor((month % 12) / perSeason) + 1,
    })),
  }
}

/** The first row whose month came before with another day. */
function dailyRow(readings: readonly PeriodReading[], months: readonly number[]): number | null {
  const dayOf = new Map<number, number | null>()
  for (const [i, reading] of readings.entries()) {
    const day = reading.kind === 'month' ? reading.day : null
    const before = dayOf.get(months[i]!)
    if (before !== undefined && before !== day) return i
    dayOf.set(months[i]!, day)
  }
  return null
}

/** Greatest common divisor of the distances from the first month; 0 when there are none. */
function largestCommonStep(months: readonly number[]): number {
  let step = 0
  for (const month of months) {
    let [a, b] = [step, Math.abs(month - months[0]!)]
    while (b !== 0) [a, b] = [b, a % b]
    step = a
  }
  return step
}
