/** A period as a cell tells it, before the frequency of the whole file is known. */
export type PeriodReading =
  | {
      readonly kind: 'month'
      readonly year: number
      readonly month: number
      readonly day: number | null
    }
  | { readonly kind: 'quarter'; readonly year: number; readonly quarter: number }

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const NAMES =
  'january february march april may june july august september october november december'.split(' ')

/** 1..12 for an English month name or its usual abbreviation, else null. */
export function monthByName(text: string): number | null {
  const word = text.toLowerCase().replace(/\.$/, '')
  if (word === 'sept') return 9
  const at = NAMES.indexOf(word)
  const short = MONTHS.indexOf(word)
  return at >= 0 ? at + 1 : short >= 0 ? short + 1 : null
}

/** Whether a day exists in that month. */
function isDay(year: number, month: number, day: number): boolean {
  return day >= 1 && day <= new Date(Date.UTC(year, month, 0)).getUTCDate()
}

/**
 * Reads one cell as a period: `2021-03`, `2021-03-01`, `Mar 2021`, `March 2021`, `2021 Q1`,
 * `2021-Q1`.
 *
 * @returns null for anything else, a month 13 or 31 April among it
 * @example readPeriod('2021-03-01') // { kind: 'month', year: 2021, month: 3, day: 1 }
 */
export function readPeriod(text: string): PeriodReading | null {
  const iso = /^(\d{4})-(\d{1,2})(?:-(\d{1,2}))?$/.exec(text)
  if (iso) {
    const [year, month, day] = [Number(iso[1]), Number(iso[2]), iso[3] ? Number(iso[3]) : null]
    if (month < 1 || month > 12 || (day !== null && !isDay(year, month, day))) return null
    return { kind: 'month', year, month, day }
  }
  const quarter = /^(\d{4})[ -]?Q([1-4])$/i.exec(text)
  if (quarter) return { kind: 'quarter', year: Number(quarter[1]), quarter: Number(quarter[2]) }
  const named = /^([A-Za-z]+\.?)[ -](\d{4})$/.exec(text)
  const month = named && monthByName(named[1]!)
  return month ? { kind: 'month', year: Number(named[2]), month, day: null } : null
}

/**
 * Reads a period from a year in one cell and a month or quarter in another: `2021` with `3`,
 * `Mar` or `Q1`.
 *
 * @param isQuarter whether a plain number in the second column means a quarter
 */
export function readYearAndPart(
  year: string,
  part: string,
  isQuarter: boolean,
): PeriodReading | null {
  if (!/^\d{4}$/.test(year)) return null
  const quarter = /^Q([1-4])$/i.exec(part) ?? (isQuarter ? /^([1-4])$/.exec(part) : null)
  if (quarter) return { kind: 'quarter', year: Number(year), quarter: Number(quarter[1]) }
  const month = /^\d{1,2}$/.test(part) ? Number(part) : monthByName(part)
  if (month === null || month < 1 || month > 12 || isQuarter) return null
  return { kind: 'month', year: Number(year), month, day: null }
}
