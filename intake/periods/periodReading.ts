import { weekOf } from '../../core/calendar/rhythms/weeks'

/** A period as a cell tells it, before the frequency of the whole file is known. */
export type PeriodReading =
  | {
      readonly kind: 'day'
      readonly year: number
      readonly month: number
      readonly day: number
      /** A whole hour of it, where one is written that is not midnight. */
      readonly hour?: number
    }
  | { readonly kind: 'week'; readonly year: number; readonly week: number }
  | { readonly kind: 'month'; readonly year: number; readonly month: number }
  | { readonly kind: 'quarter'; readonly year: number; readonly quarter: number }
  | { readonly kind: 'half-year'; readonly year: number; readonly half: number }
  | { readonly kind: 'year'; readonly year: number }
  /**
   * The p-th of 4, 12 or 13 periods of a fiscal year, or a month of it by its calendar name; the first month of that year, which
   * is called after the one it ends in, the analyst states.
   */
  | {
      readonly kind: 'fiscal'
      readonly year: number
      readonly period: number
      readonly of: 4 | 12 | 13 | 'months'
    }
  /**
   * Spring, summer, autumn, winter as 1 to 4; which comes first in a year the analyst states. A winter of two years, such as
   * 2018/19, is of the second where it comes first.
   */
  | {
      readonly kind: 'named-season'
      readonly year: number
      readonly season: number
      readonly spansYears?: true
    }
  /** One of any number of seasons, or of thirteen periods; the names of all of them where they have some. */
  | {
      readonly kind: 'season'
      readonly year: number
      readonly season: number
      readonly of: number
      readonly names?: readonly string[]
    }

/** Which number of `3/1/2021` is the day. */
export type DayOrder = 'day-first' | 'month-first'

/** Two-digit years below this belong to this century. */
const THIS_CENTURY_BELOW = 70

/** A year of four digits, or of two: `21` is 2021 and `87` is 1987. Null for no year of trade. */
export function yearOf(text: string): number | null {
  const number = Number(text)
  if (text.length === 2) return number < THIS_CENTURY_BELOW ? 2000 + number : 1900 + number
  return text.length === 4 && number >= 1800 && number < 2200 ? number : null
}

/** The year in which a fiscal year ends: `FY21`, `FY2021`, `2020/21`, `2020-21`; null for any other text. */
export function fiscalYearOf(text: string): number | null {
  const named = /^(?:FY|GJ|fiscal(?: year)?|financial year)[ -]?'?(\d{4}|\d{2})$/i.exec(text)
  if (named) return yearOf(named[1]!)
  const two = /^(?:FY|GJ)?[ -]?(\d{4}) ?[/–-] ?(\d{4}|\d{2})$/i.exec(text)
  const first = two && yearOf(two[1]!)
  if (!two || first === null) return null
  return Number(two[2]!) % 100 === (first! + 1) % 100 ? first! + 1 : null
}

/** A day that exists, or null: there is no 31 April. */
export function dayOf(
  year: number | null,
  month: number,
  day: number,
): (PeriodReading & { kind: 'day' }) | null {
  if (year === null || month < 1 || month > 12 || day < 1) return null
  if (day > new Date(Date.UTC(year, month, 0)).getUTCDate()) return null
  return { kind: 'day', year, month, day }
}

export function monthOf(year: number | null, month: number): PeriodReading | null {
  return year === null || month < 1 || month > 12 ? null : { kind: 'month', year, month }
}

/** Days since 1 January 1970. */
export function dayNumber(year: number, month: number, day: number): number {
  return Date.UTC(year, month - 1, day) / 86_400_000
}

/** The ISO week of a day, counted from 1970: that of its Thursday. */
export function isoWeekOf(day: number): { readonly year: number; readonly week: number } {
  const { cycle, season, again } = weekOf(day)
  return { year: cycle, week: again ? season + 1 : season }
}

/** The Thursday of an ISO week, which decides the month a week belongs to. */
export function thursdayOf(year: number, week: number): Date {
  const fourth = new Date(Date.UTC(year, 0, 4))
  const monday = fourth.getTime() - ((fourth.getUTCDay() + 6) % 7) * 86_400_000
  return new Date(monday + ((week - 1) * 7 + 3) * 86_400_000)
}
