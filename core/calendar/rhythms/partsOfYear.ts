import type { Calendar } from '../calendar'
import { daysOf } from '../civil'
import type { Period } from '../period'
import type { Rhythm } from '../rhythm'
import { MONTHS } from './monthNames'

type PartOfYear = 'monthly' | 'quarterly' | 'half-yearly' | 'yearly' | 'seasons'

/** A calendar that divides every year alike. */
export type CalendarOfYears = Calendar & { readonly frequency: PartOfYear }

const NOUN: Record<PartOfYear, string> = {
  monthly: 'month',
  quarterly: 'quarter',
  'half-yearly': 'half-year',
  yearly: 'year',
  seasons: 'period',
}

const CODE: Record<PartOfYear, RegExp> = {
  monthly: /^(-?\d{1,6})-(\d{2})$/,
  quarterly: /^(-?\d{1,6})-Q(\d)$/,
  'half-yearly': /^(-?\d{1,6})-H(\d)$/,
  yearly: /^(-?\d{1,6})()$/,
  seasons: /^(-?\d{1,6})-S?(\d{1,4})$/,
}

const EXAMPLE: Record<PartOfYear, string> = {
  monthly: '2019-03',
  quarterly: '2019-Q1',
  'half-yearly': '2019-H1',
  yearly: '2019',
  seasons: '2019-S3',
}

/** Years below this are counted from the first: the series has no dates. */
const FIRST_DATED_YEAR = 100

/** Months, quarters, half-years, years, and any other number of seasons a year: as many every year. */
export function partsOfYear(calendar: CalendarOfYears): Rhythm {
  const { frequency, seasons, seasonNames } = calendar
  const nameOf = (season: number) => seasonNames?.[season - 1] ?? seasonLabel(season, frequency)
  return {
    ...{ cycle: 'year', noun: NOUN[frequency], example: EXAMPLE[frequency] },
    countOf: ({ cycle, season }) => cycle * seasons + (season - 1),
    periodOf(count) {
      const year = Math.floor(count / seasons)
      return { cycle: year, season: count - year * seasons + 1 }
    },
    code: (period) => codeOf(period, frequency),
    read(code) {
      const match = CODE[frequency].exec(code)
      if (!match) return null
      const season = frequency === 'yearly' ? 1 : Number(match[2])
      if (season < 1 || season > seasons) return null
      return { cycle: Number(match[1]), season }
    },
    seasonLabel: nameOf,
    label: (period) => labelOf(period, calendar, nameOf(period.season)),
    cycleLabel: String,
    yearOf: ({ cycle }) => cycle,
    firstDay: (period) => (frequency === 'seasons' ? null : daysOf(period, seasons).first),
    days: (period) => (frequency === 'seasons' ? null : daysOf(period, seasons)),
  }
}

function codeOf({ cycle: year, season }: Period, frequency: PartOfYear): string {
  switch (frequency) {
    case 'monthly':
      return `${year}-${String(season).padStart(2, '0')}`
    case 'quarterly':
      return `${year}-Q${season}`
    case 'half-yearly':
      return `${year}-H${season}`
    case 'yearly':
      return `${year}`
    case 'seasons':
      return `${year}-S${season}`
  }
}

function seasonLabel(season: number, frequency: PartOfYear): string {
  switch (frequency) {
    case 'monthly':
      return MONTHS[season - 1]!
    case 'quarterly':
      return `Q${season}`
    case 'half-yearly':
      return `H${season}`
    case 'yearly':
      return 'year'
    case 'seasons':
      return `season ${season}`
  }
}

function labelOf(
  { cycle: year, season }: Period,
  { frequency, seasonNames }: CalendarOfYears,
  name: string,
): string {
  if (year > 0 && year < FIRST_DATED_YEAR) {
    return frequency === 'yearly' ? `Year ${year}` : `Year ${year} ${name}`
  }
  if (seasonNames) return `${name} ${year}`
  switch (frequency) {
    case 'monthly':
      return `${name} ${year}`
    case 'quarterly':
    case 'half-yearly':
      return `${year} ${name}`
    case 'yearly':
      return `${year}`
    case 'seasons':
      return `${year}, season ${season}`
  }
}
