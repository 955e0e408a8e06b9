import { textAt, type Row } from '../grid'
import { monthsOf } from '../assemble/commonCalendar'
import { dayOf, type PeriodReading } from '../periods/periodReading'
import {
  countedYear,
  inYear,
  readSeason,
  statedYear,
  type PlainNumber,
  type StatedYear,
} from '../periods/seasonText'
import { headingOf, shareOf } from './columnTexts'
import type { PeriodColumns } from './observations'
import { isTotalRow } from './totalRows'
import { isHeadedYear, shortYear } from './yearColumns'
import { DATE_HEADING, QUARTER_HEADING, WEEK_HEADING } from './words'

/** Year and month with the day in a third column. */
export function withDays(
  rows: readonly Row[],
  found: PeriodColumns | null,
  candidates: readonly number[],
): PeriodColumns | null {
  if (!found?.readings.some((reading) => reading?.kind === 'month')) return found
  const first = found.readings.findIndex((reading) => reading !== null)
  const day = candidates.find(
    (column) =>
      !found.columns.includes(column) &&
      /^(day|d|dd|tag|jour|d[ií]a)( of month)?$/i.test(textAt(rows[first - 1] ?? rows[0]!, column)),
  )
  if (day === undefined) return found
  const readings = found.readings.map((reading, at) =>
    reading?.kind === 'month'
      ? dayOf(reading.year, reading.month, Number(textAt(rows[at]!, day)))
      : null,
  )
  const isRead = readings.every((reading, at) => reading !== null || found.readings[at] === null)
  return isRead ? { columns: [...found.columns, day], readings } : found
}

/** A number of a season, which may be filled up with zeros: `3`, `03`, `003`. */
const NUMBERED = /^0{0,2}\d{1,2}$/

/** What a plain number beside a year can mean, the finest first, and how far it goes. */
const PLAIN = [
  { kind: 'week', most: 53, heading: WEEK_HEADING },
  { kind: 'thirteen', most: 13, heading: /^(?!x)x/ },
  {
    kind: 'month',
    most: 12,
    heading: /^(?!.*(quarter|quartal|trim|week|day|tag)).*(mo|mes|per)/i,
  },
  { kind: 'quarter', most: 4, heading: QUARTER_HEADING },
] as const

/** A year, carried down from the last row that has one, with the season in another column that tells most periods apart. */
export function findYearAndSeason(
  rows: readonly Row[],
  sample: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  let best: { found: PeriodColumns; distinct: number; gaps: number } | null = null
  // `2021 Total` among the years of a pivot is none of them.
  const body = sample.filter((row) => !isTotalRow(row))
  for (const year of candidates) {
    const readYear = yearReader(rows, body, year)
    if (!readYear) continue
    for (const season of candidates) {
      if (season === year) continue
      const plainNumber = plainNumberOf(rows, body, year, season, readYear)
      if (plainNumber === null) continue
      const found = readYearAndSeason(rows, year, season, plainNumber, readYear)
      const distinct = new Set(found.readings.map((reading) => JSON.stringify(reading))).size
      const gaps = gapsIn(found)
      const isBetter =
        !best || distinct > best.distinct || (distinct === best.distinct && gaps < best.gaps)
      if (isBetter) best = { found, distinct, gaps }
    }
  }
  return best?.found ?? null
}

/** Months from the first period to the last, beyond those that periods stand for: `1` to `12` beside three years can be quarters counted on. */
function gapsIn({ readings }: PeriodColumns): number {
  const places = [...new Set(readings.flatMap((reading) => (reading ? [monthsOf(reading)] : [])))]
  const quarters = readings.some((reading) => reading?.kind === 'quarter') ? 3 : 1
  return places.length === 0
    ? 0
    : (Math.max(...places) - Math.min(...places)) / quarters + 1 - places.length
}

type YearReader = (text: string) => StatedYear | null

/** How the years of a column are written, as they are or counted from the first; null for no years. */
function yearReader(
  rows: readonly Row[],
  sample: readonly Row[],
  column: number,
): YearReader | null {
  const share = (read: YearReader) => shareOf(sample, column, (text) => read(text) !== null)
  if (share(statedYear) >= 0.8) return statedYear
  if (isHeadedYear(sample, column) && share(shortYear) >= 0.8) return shortYear
  const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
  const years = texts.slice(texts.findIndex((text) => countedYear(text) !== null))
  // Beside seasons a counted year comes again with each of them: what counts every row is no year.
  const comesAgain = new Set(years).size < years.length
  return comesAgain && isCounted(years) ? countedYear : null
}

/** Whether years are counted 1, 1, 1, 2, 2 …, by one at a time. */
export function isCounted(texts: readonly string[]): boolean {
  const years = texts.map((text) => countedYear(text)?.year ?? NaN)
  return (
    years.length > 1 &&
    years[0] === 1 &&
    years.at(-1)! > 1 &&
    years.every((year, i) => i === 0 || year === years[i - 1] || year === years[i - 1]! + 1)
  )
}

/** What the numbers of a column beside years are; named seasons count as months; null for no seasons. */
function plainNumberOf(
  rows: readonly Row[],
  sample: readonly Row[],
  year: number,
  season: number,
  readYear: YearReader,
): PlainNumber | null {
  const heading = headingOf(
    sample,
    season,
    (text) => readSeason(text) === null && !NUMBERED.test(text),
  )
  const reads = (kind: PlainNumber) => (text: string) => readSeason(text, kind) !== null
  // A heading that is a month, above figures, is the one of a matrix.
  const body = sample.filter((row) => readYear(textAt(row, year)) !== null)
  const isNamed = body.some((row) => {
    const text = textAt(row, season)
    return !/^\d+$/.test(text) && readSeason(text) !== null
  })
  if (isNamed) return shareOf(sample, season, reads('month')) >= 0.8 ? 'month' : null
  const numbers = rows.map((row) => textAt(row, season)).filter((text) => NUMBERED.test(text))
  const highest = Math.max(...numbers.map(Number))
  if (/per/i.test(heading) && highest === 13) return 'thirteen'
  const yearHeading = headingOf(sample, year, (text) => readYear(text) === null)
  const isShort = /^y+$/i.test(yearHeading) && /^mm?$/i.test(heading)
  const headed = PLAIN.find(
    (plain) => plain.heading.test(heading) || (isShort && plain.kind === 'month'),
  )
  if (headed) return shareOf(sample, season, reads(headed.kind)) >= 0.8 ? headed.kind : null
  const isHeaded = DATE_HEADING.test(heading)
  const fits = PLAIN.filter(
    ({ kind, most }) => shareOf(sample, season, reads(kind)) >= 0.8 && highest <= most,
  ).map(({ kind }) => kind)
  if (isHeaded && fits.includes('month')) return 'month'
  // Without a word for it, numbers are seasons when with their years they run on without a gap.
  return [...fits].reverse().find((kind) => runsOn(rows, year, season, kind, readYear)) ?? null
}

/** Whether years and numbers count on by one season in every row, over a year's end. */
function runsOn(
  rows: readonly Row[],
  year: number,
  season: number,
  kind: PlainNumber,
  readYear: YearReader,
): boolean {
  const most = PLAIN.find((plain) => plain.kind === kind)!.most
  const { readings } = readYearAndSeason(rows, year, season, kind, readYear)
  const places = readings.flatMap((reading, at) =>
    reading ? [reading.year * most + Number(textAt(rows[at]!, season))] : [],
  )
  const years = new Set(readings.flatMap((reading) => (reading ? [reading.year] : [])))
  return years.size > 1 && places.every((place, i) => i === 0 || place === places[i - 1]! + 1)
}

function readYearAndSeason(
  rows: readonly Row[],
  yearColumn: number,
  seasonColumn: number,
  plainNumber: PlainNumber,
  readYear: YearReader,
): PeriodColumns {
  let year: StatedYear | null = null
  const readings = rows.map((row): PeriodReading | null => {
    const stated = textAt(row, yearColumn)
    if (stated !== '') year = readYear(stated)
    const season = readSeason(textAt(row, seasonColumn), plainNumber)
    return year === null || season === null ? null : inYear(year, season)
  })
  return { columns: [yearColumn, seasonColumn], readings }
}
