import type { Calendar } from './calendar'

/** One month, quarter or other season of one calendar year; `season` runs from 1 to m. */
export interface Period {
  readonly year: number
  readonly season: number
}

/** Seasons counted since year 0, so that periods can be compared and subtracted. */
function ordinal(period: Period, seasons: number): number {
  return period.year * seasons + (period.season - 1)
}

/**
 * The period a number of steps after another (before it, when negative).
 *
 * @param period where to count from
 * @param steps whole periods
 * @param seasons m, the seasons in a year
 * @example addPeriods({ year: 2019, season: 11 }, 3, 12) // { year: 2020, season: 2 }
 */
export function addPeriods(period: Period, steps: number, seasons: number): Period {
  const at = ordinal(period, seasons) + steps
  const year = Math.floor(at / seasons)
  return { year, season: at - year * seasons + 1 }
}

/**
 * How many periods lie from one to another.
 *
 * @example periodsBetween({ year: 2019, season: 4 }, { year: 2020, season: 1 }, 4) // 1
 */
export function periodsBetween(from: Period, to: Period, seasons: number): number {
  return ordinal(to, seasons) - ordinal(from, seasons)
}

const CODE: Record<Calendar['frequency'], RegExp> = {
  monthly: /^(-?\d{1,6})-(\d{2})$/,
  quarterly: /^(-?\d{1,6})-Q(\d)$/,
  'half-yearly': /^(-?\d{1,6})-H(\d)$/,
  yearly: /^(-?\d{1,6})()$/,
  seasons: /^(-?\d{1,6})-S?(\d{1,4})$/,
}

const CODE_EXAMPLE: Record<Calendar['frequency'], string> = {
  monthly: '2019-03',
  quarterly: '2019-Q1',
  'half-yearly': '2019-H1',
  yearly: '2019',
  seasons: '2019-S3',
}

/** A period code of this calendar, to show in a message: `2019-03`. */
export function exampleCode(calendar: Calendar): string {
  return CODE_EXAMPLE[calendar.frequency]
}

/**
 * Reads a period code: `2019-03`, `2019-Q1`, `2019-H2`, `2019`, or `2019-S3` for any other cycle.
 *
 * @returns the period, or null when the text is no code of this calendar
 */
export function parsePeriod(code: string, calendar: Calendar): Period | null {
  const match = CODE[calendar.frequency].exec(code)
  if (!match) return null
  const season = calendar.frequency === 'yearly' ? 1 : Number(match[2])
  if (season < 1 || season > calendar.seasons) return null
  return { year: Number(match[1]), season }
}

/**
 * The period code, as method and result documents write it.
 *
 * @example formatPeriod({ year: 2019, season: 3 }, calendarOf('monthly')) // '2019-03'
 */
export function formatPeriod(period: Period, calendar: Calendar): string {
  switch (calendar.frequency) {
    case 'monthly':
      return `${period.year}-${String(period.season).padStart(2, '0')}`
    case 'quarterly':
      return `${period.year}-Q${period.season}`
    case 'half-yearly':
      return `${period.year}-H${period.season}`
    case 'yearly':
      return `${period.year}`
    case 'seasons':
      return `${period.year}-S${period.season}`
  }
}
