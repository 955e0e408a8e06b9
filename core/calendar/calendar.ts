/** How often values come. `seasons` is any other number of seasons in a year, or in a cycle without dates. */
export const FREQUENCIES = [
  'monthly',
  'quarterly',
  'half-yearly',
  'yearly',
  'weekly',
  'daily',
  'hourly',
  'seasons',
] as const
export type Frequency = (typeof FREQUENCIES)[number]

/** How a series divides its cycles: years, or the weeks of days and the days of hours. */
export interface Calendar {
  readonly frequency: Frequency
  /** m, the seasons in a cycle: 12 monthly, 4 quarterly, 52 weekly, 7 or 365 daily, 6 or 5 on trading days alone, 24 or 168 hourly. */
  readonly seasons: number
  /** The season, 1..m, in which a year of the tables begins. Lays tables out; changes no figure. */
  readonly yearStart: number
  /** What the seasons are called, the first first, where not by their number: `Spring`, `Summer`. */
  readonly seasonNames?: readonly string[]
}

/** The seasons that a frequency can have, what it has when nothing is said first. */
const SEASONS: Record<Exclude<Frequency, 'seasons'>, readonly number[]> = {
  monthly: [12],
  quarterly: [4],
  'half-yearly': [2],
  yearly: [1],
  weekly: [52],
  daily: [7, 365, 6, 5],
  hourly: [24, 168],
}

/** The seasons that a frequency can have; null of any number. */
export function seasonsOf(frequency: Frequency): readonly number[] | null {
  return frequency === 'seasons' ? null : SEASONS[frequency]
}

/**
 * The calendar of a frequency.
 *
 * @param frequency one of {@link FREQUENCIES}
 * @param options `seasons`, the cycle length, is read where there is a choice;
 *   `yearStart` is the first season of a year, 1 when left out; `seasonNames` has a name for each
 * @throws RangeError when the cycle is not a whole number from 2 to 1,000 or none of the frequency, the year
 *   starts outside it, or there are more or fewer names than seasons
 * @example calendarOf('quarterly') // { frequency: 'quarterly', seasons: 4, yearStart: 1 }
 */
export function calendarOf(
  frequency: Frequency,
  options: {
    readonly seasons?: number
    readonly yearStart?: number
    readonly seasonNames?: readonly string[]
  } = {},
): Calendar {
  const seasons = cycleLength(frequency, options.seasons)
  const yearStart = options.yearStart ?? 1
  if (!(Number.isInteger(yearStart) && yearStart >= 1 && yearStart <= seasons)) {
    throw new RangeError(`A year must start in a season from 1 to ${seasons}.`)
  }
  if (yearStart > 1 && isFinerThanMonths({ frequency })) {
    throw new RangeError(`The cycles of a ${frequency} series begin where the calendar does.`)
  }
  const { seasonNames } = options
  if (!seasonNames) return { frequency, seasons, yearStart }
  if (isFinerThanMonths({ frequency })) {
    throw new RangeError(`The seasons of a ${frequency} series have names of their own.`)
  }
  if (seasonNames.length !== seasons) {
    throw new RangeError(`${seasons} seasons need as many names; there are ${seasonNames.length}.`)
  }
  return { frequency, seasons, yearStart, seasonNames }
}

/** Shorter than a month. */
const FINE: ReadonlySet<Frequency> = new Set(['weekly', 'daily', 'hourly'])

/**
 * Whether periods are weeks, days or hours, shorter than a month: their cycles begin where the calendar says, their seasons have its
 * names, and months are named between seasons and years.
 */
export function isFinerThanMonths({ frequency }: Pick<Calendar, 'frequency'>): boolean {
  return FINE.has(frequency)
}

/** Whether a series of days has only those from Monday on that a shop is open, 5 or 6 of the week. */
export function hasTradingDays({ frequency, seasons }: Calendar): boolean {
  return frequency === 'daily' && seasons < DAYS_A_WEEK
}
const DAYS_A_WEEK = 7

function cycleLength(frequency: Frequency, stated: number | undefined): number {
  if (frequency === 'seasons') {
    const seasons = stated ?? NaN
    if (Number.isInteger(seasons) && seasons >= 2 && seasons <= 1000) return seasons
    throw new RangeError('The number of seasons must be a whole number from 2 to 1,000.')
  }
  const own = SEASONS[frequency]
  if (stated === undefined || own.length === 1) return own[0]!
  if (own.includes(stated)) return stated
  throw new RangeError(`A ${frequency} series has ${own.join(' or ')} seasons, not ${stated}.`)
}
