/** How often a year is counted. `seasons` is any other number of seasons in a cycle. */
export const FREQUENCIES = ['monthly', 'quarterly', 'half-yearly', 'yearly', 'seasons'] as const
export type Frequency = (typeof FREQUENCIES)[number]

/** How a series divides its years. */
export interface Calendar {
  readonly frequency: Frequency
  /** m, the seasons in a year: 12 monthly, 4 quarterly, 2 half-yearly, 1 yearly. */
  readonly seasons: number
  /** The season, 1..m, in which a year of the tables begins. Lays tables out; changes no figure. */
  readonly yearStart: number
  /** What the seasons are called, the first first, where not by their number: `Spring`, `Summer`. */
  readonly seasonNames?: readonly string[]
}

const SEASONS: Record<Exclude<Frequency, 'seasons'>, number> = {
  monthly: 12,
  quarterly: 4,
  'half-yearly': 2,
  yearly: 1,
}

/**
 * The calendar of a frequency.
 *
 * @param frequency one of {@link FREQUENCIES}
 * @param options `seasons`, the cycle length, is read for the frequency `seasons` only;
 *   `yearStart` is the first season of a year, 1 when left out; `seasonNames` has a name for each
 * @throws RangeError when the cycle is not a whole number from 2 to 1,000, the year starts
 *   outside it, or there are more or fewer names than seasons
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
  const seasons = frequency === 'seasons' ? (options.seasons ?? NaN) : SEASONS[frequency]
  if (frequency === 'seasons' && !(Number.isInteger(seasons) && seasons >= 2 && seasons <= 1000)) {
    throw new RangeError('The number of seasons must be a whole number from 2 to 1,000.')
  }
  const yearStart = options.yearStart ?? 1
  if (!(Number.isInteger(yearStart) && yearStart >= 1 && yearStart <= seasons)) {
    throw new RangeError(`A year must start in a season from 1 to ${seasons}.`)
  }
  const { seasonNames } = options
  if (!seasonNames) return { frequency, seasons, yearStart }
  if (seasonNames.length !== seasons) {
    throw new RangeError(`${seasons} seasons need as many names; there are ${seasonNames.length}.`)
  }
  return { frequency, seasons, yearStart, seasonNames }
}
