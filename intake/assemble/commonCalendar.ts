import type { Calendar, Frequency } from '../../core/calendar/calendar'
import type { Period } from '../../core/calendar/period'
import { rhythmOf } from '../../core/calendar/rhythms'
import { periodOfDay } from '../../core/calendar/periodOfDay'
import { dayNumber, thursdayOf, type PeriodReading } from '../periods/periodReading'

/** How often the rows of a file come, which need not be how often its series are counted. */
export type RowFrequency = Frequency

/**
 * Finds how often rows come, from their periods: the largest step that fits all distances between
 * them. Days a month apart are months, months a quarter apart are quarters.
 *
 * @param readings every period of the file, in any order, at least one
 * @returns null when kinds are mixed that do not go together, such as months and quarters
 */
export function rowFrequency(readings: readonly PeriodReading[]): RowFrequency | null {
  const kinds = new Set(readings.map(({ kind }) => kind))
  if (kinds.size > 1 && !(kinds.size === 2 && kinds.has('day') && kinds.has('month'))) return null
  const [kind] = kinds
  switch (kind) {
    case 'week':
      return 'weekly'
    case 'quarter':
      return 'quarterly'
    case 'half-year':
      return 'half-yearly'
    case 'year':
      return 'yearly'
    case 'season':
      return 'seasons'
    case 'day':
      return kinds.size === 1 ? dayFrequency(readings) : monthFrequency(readings.map(monthsOf))
    // Months, by whatever name.
    default:
      return monthFrequency(readings.map(monthsOf))
  }
}

function monthFrequency(months: readonly number[]): Frequency {
  const step = largestCommonStep(months)
  if (step === 0) return 'monthly'
  if (step % 12 === 0) return 'yearly'
  if (step % 6 === 0) return 'half-yearly'
  return step % 3 === 0 ? 'quarterly' : 'monthly'
}

/** Rows of a day have hours of their own when there are so many of them a day. */
const HOURS_A_DAY = 6

/** Days are months when no month has two of them, weeks when they are sevens of days apart, and hours when a day has many. */
function dayFrequency(readings: readonly PeriodReading[]): RowFrequency {
  const days = [...new Set(readings.map(dayOf))].sort((a, b) => a - b)
  const months = new Set(readings.map(monthsOf))
  if (months.size === days.length) return monthFrequency([...months])
  if (largestCommonStep(days) % 7 === 0) return 'weekly'
  const hours = new Set(readings.map(hourOf))
  return hours.size >= HOURS_A_DAY * days.length ? 'hourly' : 'daily'
}

/** Greatest common divisor of the distances from the first; 0 when there are none. */
function largestCommonStep(places: readonly number[]): number {
  let step = 0
  for (const place of places) {
    let [a, b] = [step, Math.abs(place - places[0]!)]
    while (b !== 0) [a, b] = [b, a % b]
    step = a
  }
  return step
}

/** Months since year 0 of a reading's first month; a week belongs to the month of its Thursday. */
export function monthsOf(reading: PeriodReading): number {
  switch (reading.kind) {
    case 'day':
    case 'month':
      return reading.year * 12 + reading.month - 1
    case 'quarter':
      return reading.year * 12 + (reading.quarter - 1) * 3
    case 'half-year':
      return reading.year * 12 + (reading.half - 1) * 6
    case 'year':
      return reading.year * 12
    case 'week': {
      const thursday = thursdayOf(reading.year, reading.week)
      return thursday.getUTCFullYear() * 12 + thursday.getUTCMonth()
    }
    case 'season':
      return reading.year * 12 + Math.floor(((reading.season - 1) * 12) / reading.of)
    case 'named-season':
      return reading.year * 12 + (reading.season - 1) * 3
    case 'fiscal':
      return reading.year * 12 + reading.period - 1
  }
}

/** Days since 1970 of a reading's last day that it counts; a week counts from its Monday to its Sunday. */
export function dayOf(reading: PeriodReading): number {
  if (reading.kind === 'day') return dayNumber(reading.year, reading.month, reading.day)
  if (reading.kind === 'season') return reading.year * reading.of + reading.season
  if (reading.kind === 'week') return thursdayOf(reading.year, reading.week).getTime() / 86_400_000
  const months = monthsOf(reading)
  return dayNumber(Math.floor(months / 12), (months % 12) + 1, 1)
}

/** Hours since 1970 of a reading. */
export function hourOf(reading: PeriodReading): number {
  return dayOf(reading) * HOURS + (reading.kind === 'day' ? (reading.hour ?? 0) : 0)
}
const HOURS = 24

/** The period of a calendar that a reading falls into. */
export function periodOf(reading: PeriodReading, calendar: Calendar): Period {
  const { frequency, seasons } = calendar
  if (reading.kind === 'season') return { cycle: reading.year, season: reading.season }
  if (frequency === 'weekly' || frequency === 'daily') return periodOfDay(dayOf(reading), calendar)
  if (frequency === 'hourly') return rhythmOf(calendar).periodOf(hourOf(reading))
  const months = monthsOf(reading)
  return {
    cycle: Math.floor(months / 12),
    season: Math.floor((months % 12) / (12 / seasons)) + 1,
  }
}
