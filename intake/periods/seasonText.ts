import { monthByName } from './monthNames'
import { fiscalYearOf, yearOf, type PeriodReading } from './periodReading'
import { seasonByName } from './seasonNames'

/** Words for a quarter and a half of the year, in patterns. */
export const QUARTER_WORD = '(?:q|qtr|quarter|quartal|trim|trimestre|t)'
export const HALF_WORD = '(?:h|hj|half|halbjahr|s|sem|semestre)'

/** Characters of a season or a year at the most. */
const LONGEST = 100

/** A season of the year by itself, beside a year in another place: `Mar`, `3`, `Q1`, `P03`. */
export type SeasonReading =
  | { readonly kind: 'month'; readonly at: number }
  | { readonly kind: 'quarter'; readonly at: number }
  | { readonly kind: 'half-year'; readonly at: number }
  | { readonly kind: 'fiscal'; readonly at: number }
  | { readonly kind: 'week'; readonly at: number }
  /** Spring to winter, 1 to 4. */
  | { readonly kind: 'named'; readonly at: number }

const QUARTER_ALONE = new RegExp(
  `^(?:${QUARTER_WORD}\\.? ?([1-4])|([1-4])\\.? ?${QUARTER_WORD})$`,
  'iu',
)
const HALF_ALONE = new RegExp(`^(?:${HALF_WORD}\\.? ?([12])|([12])\\.? ?${HALF_WORD})$`, 'iu')

/** What a number by itself can mean beside a year. */
export type PlainNumber = 'week' | 'thirteen' | 'month' | 'quarter'
const MOST: Record<PlainNumber, number> = { week: 53, thirteen: 13, month: 12, quarter: 4 }

/**
 * Reads a season that stands apart from its year.
 *
 * @param plainNumber what a number by itself means; by default the month
 */
export function readSeason(text: string, plainNumber: PlainNumber = 'month'): SeasonReading | null {
  if (text.length > LONGEST) return null
  const number = /^0{0,2}\d{1,2}$/.test(text) ? Number(text) : 0
  if (number > 0 && number <= MOST[plainNumber]) {
    return { kind: plainNumber === 'thirteen' ? 'fiscal' : plainNumber, at: number }
  }
  // A number before the name keeps months in their order: `01 - January`.
  const month = monthByName(text.replace(/^\d{1,2}(?: [-–] |[):] ?)(?=\p{L})/u, ''))
  if (month) return { kind: 'month', at: month }
  const quarterMatch = QUARTER_ALONE.exec(text)
  if (quarterMatch) return { kind: 'quarter', at: Number(quarterMatch[1] ?? quarterMatch[2]) }
  const halfMatch = HALF_ALONE.exec(text)
  if (halfMatch) return { kind: 'half-year', at: Number(halfMatch[1] ?? halfMatch[2]) }
  const season = seasonByName(text)
  if (season) return { kind: 'named', at: season }
  const period = /^(?:p|per|period)\.? ?(\d{1,2})$/i.exec(text)
  if (period && +period[1]! >= 1 && +period[1]! <= 13) return { kind: 'fiscal', at: +period[1]! }
  const monthNumber = /^m(\d{1,2})$/i.exec(text)
  if (monthNumber && +monthNumber[1]! >= 1 && +monthNumber[1]! <= 12) {
    return { kind: 'month', at: +monthNumber[1]! }
  }
  return null
}

/** A season in its year, which may be a fiscal one. */
export function inYear({ year, isFiscal }: StatedYear, { kind, at }: SeasonReading): PeriodReading {
  if (isFiscal && kind === 'quarter') return { kind: 'fiscal', year, period: at, of: 4 }
  if (isFiscal && kind === 'month') return { kind: 'fiscal', year, period: at, of: 'months' }
  switch (kind) {
    case 'named':
      return { kind: 'named-season', year, season: at }
    case 'month':
      return { kind, year, month: at }
    case 'quarter':
      return { kind, year, quarter: at }
    case 'half-year':
      return { kind, year, half: at }
    case 'fiscal':
      return { kind, year, period: at, of: 12 }
    case 'week':
      return { kind, year, week: at }
  }
}

/** A year as a column or heading states it. */
export interface StatedYear {
  readonly year: number
  readonly isFiscal: boolean
}

/** `2021`; `FY2021` and `2020/21`, called after the year in which they end. */
export function statedYear(text: string): StatedYear | null {
  if (text.length > LONGEST) return null
  const digits = /^(?:CY ?|calendar year )?(\d{4})$/i.exec(text)
  const year = digits ? yearOf(digits[1]!) : null
  if (year !== null) return { year, isFiscal: false }
  const fiscalYear = fiscalYearOf(text)
  return fiscalYear === null ? null : { year: fiscalYear, isFiscal: true }
}

/** `1`, `Year 2`: a year that is only counted. */
export function countedYear(text: string): StatedYear | null {
  const match = /^(?:(?:year|yr|y|jahr|ann[ée]e|a[ñn]o) ?)?(\d{1,2})$/i.exec(text)
  return match && +match[1]! > 0 ? { year: +match[1]!, isFiscal: false } : null
}
