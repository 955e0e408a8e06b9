import type { Calendar } from './calendar'
import type { Period } from './period'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/**
 * A season as the trade writes it: `May`, `Q1`, `H2`, `season 3`.
 *
 * @param season 1..m
 */
export function seasonLabel(season: number, calendar: Calendar): string {
  if (calendar.seasonNames) return calendar.seasonNames[season - 1]!
  switch (calendar.frequency) {
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

/** Years below this are counted from the first: the series has no dates. */
const FIRST_DATED_YEAR = 100

/** A period as the trade writes it: `Mar 2024`, `2024 Q1`, `2024`, `2024, season 3`; `Year 1 Q3` where years are counted. */
export function periodLabel(period: Period, calendar: Calendar): string {
  if (period.year > 0 && period.year < FIRST_DATED_YEAR) {
    const year = `Year ${period.year}`
    return calendar.frequency === 'yearly'
      ? year
      : `${year} ${seasonLabel(period.season, calendar)}`
  }
  if (calendar.seasonNames) return `${seasonLabel(period.season, calendar)} ${period.year}`
  switch (calendar.frequency) {
    case 'monthly':
      return `${MONTHS[period.season - 1]} ${period.year}`
    case 'quarterly':
    case 'half-yearly':
      return `${period.year} ${seasonLabel(period.season, calendar)}`
    case 'yearly':
      return `${period.year}`
    case 'seasons':
      return `${period.year}, season ${period.season}`
  }
}

const ONE_PERIOD: Record<Calendar['frequency'], string> = {
  monthly: 'month',
  quarterly: 'quarter',
  'half-yearly': 'half-year',
  yearly: 'year',
  seasons: 'period',
}

/** `1 month`, `12 months`. */
export function countPeriods(count: number, calendar: Calendar): string {
  return `${count} ${onePeriod(calendar)}${count === 1 ? '' : 's'}`
}

/** The word for one period: `month`, `quarter`, `half-year`, `year`, `period`. */
export function onePeriod(calendar: Calendar): string {
  return ONE_PERIOD[calendar.frequency]
}
