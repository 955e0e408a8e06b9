import { monthByName } from './monthNames'
import {
  dayOf,
  fiscalYearOf,
  monthOf,
  yearOf,
  type DayOrder,
  type PeriodReading,
} from './periodReading'
import { WEEKDAY_NAMES } from './weekdayNames'
import { periodMark } from './periodMark'
import { readRange } from './rangeText'
import { seasonByName } from './seasonNames'
import { HALF_WORD, QUARTER_WORD } from './seasonText'

type Groups = readonly (string | undefined)[]
type Reader = (groups: Groups, order: DayOrder) => PeriodReading | null

const TIME = String.raw`(?:[T ]\d{1,2}:\d{2}(?::\d{2}(?:[.,]\d+)?)?(?: ?[AP]M)?(?: ?(?:Z|UTC|GMT|[A-Z]{3,4}|[+-]\d{2}:?\d{2}(?: \([^)]*\))?))?)?`
const YEAR = String.raw`(\d{4}|'?\d{2})`
const TERM_WORD = '(?:term|tertial|tertiary|trimester)'
const WEEK_WORD = '(?:w|wk|week|kw|woche|s|sem|semaine|semana)'
/** Words for a quarter behind a Roman number; `kw` alone is a week in German. */
const PART_WORD = '(?:q|quarter|quartal|trim|trimestre|kw|kwarta[łl]|kv|kvartal|[čc]tvrtlet[íi])'
const WORD = String.raw`(\p{L}{3,}\.?)`

const COUNTED = '(?:year|yr|y|jahr|ann[ée]e|a[ñn]o) ?(\\d{1,2})'

/** Every spelling of a period, the more particular before the more general. */
const SPELLINGS: readonly (readonly [pattern: string, read: Reader])[] = [
  // 2021-03-01, 2021/3/1, 2021.03.01, with or without a time
  [`(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})${TIME}`, ([y, m, d]) => dayOf(yearOf(y!), +m!, +d!)],
  // 20210301, 202103
  ['(\\d{4})(\\d{2})(\\d{2})', ([y, m, d]) => dayOf(yearOf(y!), +m!, +d!)],
  // 01032021: which is the day, the whole column decides
  [
    '([0-3]\\d)([0-3]\\d)((?:19|20)\\d{2})',
    ([a, b, y], order) => {
      const [day, month] = order === 'day-first' ? [+a!, +b!] : [+b!, +a!]
      return dayOf(yearOf(y!), month, day)
    },
  ],
  ['(\\d{4})(\\d{2})', ([y, m]) => monthOf(yearOf(y!), +m!)],
  // 2021-03, 2021/3, 2021M03, 2021 M3, 03/2021, 3.2021, M03 2021
  ['(\\d{4})[-/. ]?m(\\d{1,2})', ([y, m]) => monthOf(yearOf(y!), +m!)],
  ['m(\\d{1,2})[-/. ](\\d{4})', ([m, y]) => monthOf(yearOf(y!), +m!)],
  ['(\\d{4})[-/.](\\d{1,2})', ([y, m]) => monthOf(yearOf(y!), +m!)],
  ['(\\d{1,2})[-/.](\\d{4})', ([m, y]) => monthOf(yearOf(y!), +m!)],
  // 3/1/2021, 01.03.21, 1-3-2021: which is the day, the whole column decides
  [
    `(\\d{1,2})([-/.])(\\d{1,2})\\2${YEAR}${TIME}`,
    ([a, , b, y], order) => {
      const [day, month] = order === 'day-first' ? [+a!, +b!] : [+b!, +a!]
      return dayOf(yearOf(bare(y!)), month, day)
    },
  ],
  // 1 March 2021, 1. März 2021, 31-Mar-21; March 1, 2021
  [
    `(\\d{1,2})(?:st|nd|rd|th|er)?[-. ]*(?:de )?${WORD}[-,. ]*(?:de )?${YEAR}${TIME}`,
    ([d, word, y]) => named(word!, (month) => dayOf(yearOf(bare(y!)), month, +d!)),
  ],
  [
    `${WORD} *(\\d{1,2})(?:st|nd|rd|th)?(?:,| ) *(\\d{4})${TIME}`,
    ([word, d, y]) => named(word!, (month) => dayOf(yearOf(y!), month, +d!)),
  ],
  // Mar 2021, mars-21, März '21, 2021 March
  [
    `${WORD}[-/., ]*(?:de )?${YEAR}`,
    ([word, y]) => named(word!, (m) => monthOf(yearOf(bare(y!)), m)),
  ],
  [`(\\d{4})[-/. ]*${WORD}`, ([y, word]) => named(word!, (m) => monthOf(yearOf(y!), m))],
  // 2021-Q1, 2021 1. Quartal, Q1 2021, 1Q21, T1 2021, 1T2021
  [`(\\d{4})[-/. ]*${QUARTER_WORD}\\.? ?([1-4])`, ([y, q]) => quarter(y!, q!)],
  // I kw. 2020, II Quartal 2020, III. trim. 2020
  [`(I{1,3}|IV)\\.? ?${PART_WORD}\\.?[-/', ]*${YEAR}`, ([q, y]) => quarter(bare(y!), roman(q!))],
  [`${QUARTER_WORD}\\.? ?([1-4])[-/', ]*${YEAR}`, ([q, y]) => quarter(bare(y!), q!)],
  [
    `([1-4])\\.?(?:st|nd|rd|th|er|e|o)? ?${QUARTER_WORD}\\.?[-/', ]*${YEAR}`,
    ([q, y]) => quarter(bare(y!), q!),
  ],
  [`(\\d{4})[-/. ]*([1-4])\\.? ?${QUARTER_WORD}`, ([y, q]) => quarter(y!, q!)],
  // Term 1 2021, 2021 term 2: a year of three terms is told by its column
  [`${TERM_WORD}\\.? ?([1-4])[-/', ]*${YEAR}`, ([q, y]) => quarter(bare(y!), q!)],
  [`(\\d{4})[-/. ]*${TERM_WORD}\\.? ?([1-4])`, ([y, q]) => quarter(y!, q!)],
  // III 2021, 2021 IV: Roman numbers are quarters
  [`(I{1,3}|IV)[-/. ]+(\\d{4})`, ([q, y]) => quarter(y!, roman(q!))],
  [`(\\d{4})[-/. ]+(I{1,3}|IV)`, ([y, q]) => quarter(y!, roman(q!))],
  // Jan-Mar 2021, April to June 2021
  [`${WORD} ?(?:-|–|to|bis|/) ?${WORD}[-, ]*${YEAR}`, ([a, b, y]) => span(a!, b!, bare(y!))],
  // 2021-H1, H1 2021, 1H21, S1 2021, 1. Halbjahr 2021
  [`(\\d{4})[-/. ]*${HALF_WORD}\\.? ?([12])`, ([y, h]) => half(y!, h!)],
  [`${HALF_WORD}\\.? ?([12])[-/', ]*${YEAR}`, ([h, y]) => half(bare(y!), h!)],
  [`([12])\\.?(?:st|nd|er|o)? ?${HALF_WORD}\\.?[-/', ]*${YEAR}`, ([h, y]) => half(bare(y!), h!)],
  // 2021-W05, 2021 KW 5, W5 2021, week 5, 2021
  [`(\\d{4})[-/. ]*${WEEK_WORD}\\.? ?(\\d{1,2})(?:-\\d)?`, ([y, w]) => week(y!, w!)],
  [`${WEEK_WORD}\\.? ?(\\d{1,2})[-/, ]*(\\d{4})`, ([w, y]) => week(y!, w!)],
  // FY2021 Q3, Q3 FY21, 2020/21 Q3: quarters of a fiscal year
  [
    `((?:fy|gj) ?'?\\d{2,4}|\\d{4}/\\d{2,4})[-/. ]*${QUARTER_WORD}\\.? ?([1-4])`,
    ([y, q]) => fiscal(y!, q!, 4),
  ],
  [
    `${QUARTER_WORD}\\.? ?([1-4])[-/, ]*((?:fy|gj) ?'?\\d{2,4}|\\d{4}/\\d{2,4})`,
    ([q, y]) => fiscal(y!, q!, 4),
  ],
  // Year 1 Q3, Y2 M11, Year 3 March: years that are counted
  [`${COUNTED}[-/., ]*${QUARTER_WORD}\\.? ?([1-4])`, ([y, q]) => counted(y!, 'quarter', +q!)],
  [`${COUNTED}[-/., ]*m(?:onth)?\\.? ?(\\d{1,2})`, ([y, m]) => counted(y!, 'month', +m!)],
  [`${COUNTED}[-/., ]*${WORD}`, ([y, word]) => counted(y!, 'month', monthByName(word!) ?? 0)],
  // Summer 2021, 2021 Summer, summer '21
  [`${WORD}[-/., ]*${YEAR}`, ([word, y]) => seasonOfYear(word!, bare(y!))],
  [`(\\d{4})[-/. ]*${WORD}`, ([y, word]) => seasonOfYear(word!, y!)],
  // Winter 2018/19, 2018/19 Winter
  [`${WORD}[-, ]+(\\d{4}[/-]\\d{2,4})`, ([word, y]) => seasonOverYears(word!, y!)],
  [`(\\d{4}[/-]\\d{2,4})[-, ]+${WORD}`, ([y, word]) => seasonOverYears(word!, y!)],
  // FY2021 P03, 2021-P3, P03 FY21
  [
    `(?:fy|gj)? ?${YEAR}[-/. ]*p(?:er(?:iod)?)?\\.? ?(\\d{1,2})`,
    ([y, p]) => fiscal(`FY${bare(y!)}`, p!, 12),
  ],
  [
    `p(?:er(?:iod)?)?\\.? ?(\\d{1,2})[-/, ]*(?:fy|gj)? ?${YEAR}`,
    ([p, y]) => fiscal(`FY${bare(y!)}`, p!, 12),
  ],
]

const READERS = SPELLINGS.map(([pattern, read]) => ({
  pattern: new RegExp(`^${pattern}$`, 'iu'),
  read,
}))

/** A day of the week before a date says nothing that the date does not. */
const WEEKDAY = new RegExp(`^(?:${WEEKDAY_NAMES.join('|')})\\.?,? +`, 'iu')
/** Longer text is no period; it is not searched for one. */
const LONGEST = 50
/** Spelt-out ordinals before a part of the year, and `of` before its year. */
const ORDINALS: readonly (readonly [word: RegExp, figure: string])[] = [
  [/\bfirst(?= (?:quarter|half|qtr|term))/i, '1'],
  [/\bsecond(?= (?:quarter|half|qtr|term))/i, '2'],
  [/\bthird(?= (?:quarter|qtr|term))/i, '3'],
  [/\bfourth(?= (?:quarter|qtr|term))/i, '4'],
  [/ of (?=\d{4}$)/i, ' '],
]

/**
 * Reads one cell as a period in any usual spelling; see the list above.
 *
 * A year alone is no period here: {@link yearOf} reads it where the column is one of years.
 *
 * @param order which number of `3/1/2021` is the day
 * A mark behind it, such as a star or the `E` of an estimate, does not count.
 *
 * @returns null for anything else, a month 13 or 31 April among it
 * @example readPeriod('1. Quartal 2021', 'day-first') // { kind: 'quarter', year: 2021, quarter: 1 }
 */
export function readPeriod(written: string, order: DayOrder): PeriodReading | null {
  if (written.length > LONGEST || written.length < 4) return null
  const own = spelt(written, order)
  if (own) return own
  const plain = ORDINALS.reduce(
    (text, [word, figure]) => text.replace(word, figure),
    written.replace(WEEKDAY, ''),
  )
  const one = (text: string) => spelt(text.replace(WEEKDAY, ''), order)
  const read = (plain === written ? null : spelt(plain, order)) ?? readRange(written, one)
  if (read) return read
  const marked = periodMark(written)
  return marked && readPeriod(marked.text, order)
}

function spelt(text: string, order: DayOrder): PeriodReading | null {
  for (const { pattern, read } of READERS) {
    const match = pattern.exec(text)
    const reading = match && read(match.slice(1), order)
    if (reading) return reading.kind === 'day' ? atItsHour(reading, text) : reading
  }
  return null
}

const CLOCK = /[T ](\d{1,2}):00(?::00(?:[.,]0+)?)?(?: ?([AP])M)?(?!\d|:)/i

/** A day with the whole hour that is written behind it; midnight is the day itself. */
function atItsHour(reading: PeriodReading & { kind: 'day' }, text: string): PeriodReading {
  const clock = CLOCK.exec(text)
  if (!clock) return reading
  const [written, half] = [Number(clock[1]), clock[2]?.toUpperCase()]
  const hour = half ? (written % 12) + (half === 'P' ? 12 : 0) : written
  return hour > 0 && hour < 24 ? { ...reading, hour } : reading
}

/** Whether a cell is written as three numbers, the year last; also `w/e 10/01/2021`, and without marks `10012021`. */
export function isSlashedDate(text: string): boolean {
  if (text.length > LONGEST) return false
  return SLASHED.test(text) || isCompactDate(text)
}
const SLASHED = /^(?:[a-z][\w/. ]* )?(\d{1,2})([-/.])(\d{1,2})\2(\d{4}|\d{2})(?!\d)/i

function isCompactDate(text: string): boolean {
  return COMPACT.test(text) && !/^(19|20)\d{2}(0[1-9]|1[0-2])/.test(text)
}
const COMPACT = /^([0-3]\d)([0-3]\d)((?:19|20)\d{2})$/

/** Whether the two orders of day and month read a cell differently. */
export function dependsOnOrder(text: string): boolean {
  const slashed = SLASHED.exec(text)
  const compact = isCompactDate(text) ? COMPACT.exec(text) : null
  const [a, b] = slashed ? [slashed[1]!, slashed[3]!] : compact ? [compact[1]!, compact[2]!] : []
  return a !== undefined && a !== b && +a <= 12 && +b! <= 12
}

function bare(year: string): string {
  return year.replace("'", '')
}

function named(word: string, read: (month: number) => PeriodReading | null): PeriodReading | null {
  const month = monthByName(word)
  return month ? read(month) : null
}

function quarter(year: string, at: string): PeriodReading | null {
  const y = yearOf(year)
  return y === null ? null : { kind: 'quarter', year: y, quarter: Number(at) }
}

function roman(number: string): string {
  return String(['I', 'II', 'III', 'IV'].indexOf(number.toUpperCase()) + 1)
}

/** From one month to another: a quarter or a half of the year, where they are one. */
function span(from: string, to: string, year: string): PeriodReading | null {
  const [first, last] = [monthByName(from), monthByName(to)]
  if (!first || !last) return null
  if (first % 3 === 1 && last === first + 2) return quarter(year, String((first + 2) / 3))
  if (first % 6 === 1 && last === first + 5) return half(year, String((first + 5) / 6))
  const y = yearOf(year)
  // Two months are one of six seasons of the year.
  return y !== null && first % 2 === 1 && last === first + 1
    ? { kind: 'season', year: y, season: (first + 1) / 2, of: 6, names: PAIRS_OF_MONTHS }
    : null
}

const PAIRS_OF_MONTHS = ['Jan–Feb', 'Mar–Apr', 'May–Jun', 'Jul–Aug', 'Sep–Oct', 'Nov–Dec']

function half(year: string, at: string): PeriodReading | null {
  const y = yearOf(year)
  return y === null ? null : { kind: 'half-year', year: y, half: Number(at) }
}

function week(year: string, at: string): PeriodReading | null {
  const [y, w] = [yearOf(year), Number(at)]
  return y === null || w < 1 || w > 53 ? null : { kind: 'week', year: y, week: w }
}

function fiscal(year: string, at: string, of: 4 | 12): PeriodReading | null {
  const [y, period] = [fiscalYearOf(year), Number(at)]
  // Thirteen periods of four weeks are told from twelve months by the thirteenth.
  if (y === null || period < 1 || period > (of === 12 ? 13 : of)) return null
  return { kind: 'fiscal', year: y, period, of }
}

function counted(year: string, kind: 'quarter' | 'month', at: number): PeriodReading | null {
  if (+year < 1 || at < 1 || at > (kind === 'quarter' ? 4 : 12)) return null
  return kind === 'quarter' ? { kind, year: +year, quarter: at } : { kind, year: +year, month: at }
}

function seasonOfYear(word: string, year: string): PeriodReading | null {
  const [y, season] = [yearOf(year), seasonByName(word)]
  return y === null || season === null ? null : { kind: 'named-season', year: y, season }
}

function seasonOverYears(word: string, years: string): PeriodReading | null {
  const [year, season] = [fiscalYearOf(years), seasonByName(word)]
  return year === null || season === null
    ? null
    : { kind: 'named-season', year, season, spansYears: true }
}
