import { cellAt, countUp, textAt, widthOf, type Cell, type Row } from '../grid'
import { monthsOf } from '../assemble/commonCalendar'
import { spreadsheetDate } from '../containers/spreadsheetDate'
import { withoutFarYears } from '../periods/farYears'
import {
  countedYear,
  inYear,
  readPeriod,
  readSeason,
  statedYear,
  type PlainNumber,
  type StatedYear,
} from '../periods/periodText'
import { dayOf, type DayOrder, type PeriodReading } from '../periods/periodReading'
import type { ColumnRole } from '../reading'
import { DATE_HEADING, QUARTER_HEADING, TOTAL, WEEK_HEADING } from './words'

/** Where the periods of a table stand, and what they say. */
export interface PeriodColumns {
  readonly columns: readonly number[]
  /** One entry a row; null where there is no period. */
  readonly readings: readonly (PeriodReading | null)[]
  /** Other columns that hold days or months of their own, such as that of shipping beside that of ordering. */
  readonly rivals?: readonly number[]
}

/** Rows that are looked at to find the column; the whole of it is read afterwards. */
const SAMPLE = 400
/** A column is one of periods when at least this share of its filled cells reads as one. */
const MOSTLY = 0.5
/** Days since 1900 of the years 1950 to 2100, as spreadsheets count them. */
const SERIALS = { from: 18_264, to: 73_415 }

/**
 * Finds the column of periods, or the two columns of year and season.
 *
 * Numbers that could be periods (`202103`, a spreadsheet's day count, a year alone) count only in the
 * first filled column, or under a heading that speaks of dates.
 *
 * @param rows all rows of the sheet
 * @param order which number of `3/1/2021` is the day
 * @param wanted roles the analyst gave to columns
 */
export function findPeriodColumns(
  rows: readonly Row[],
  order: DayOrder,
  wanted: ReadonlyMap<number, ColumnRole>,
): PeriodColumns | null {
  const sample = sampleOf(rows)
  const stated = [...wanted].filter(([, role]) => role === 'period').map(([column]) => column)
  const candidates =
    stated.length > 0 ? stated : countUp(widthOf(sample)).filter((column) => !wanted.has(column))
  const firstFilled = candidates.find((column) => sample.some((row) => textAt(row, column) !== ''))
  const mayBeNumber = (column: number) =>
    stated.includes(column) || column === firstFilled || hasDateHeading(sample, column)

  const read = cachedReader(order)
  let best: { column: number; score: number } | null = null
  const dated: number[] = []
  for (const column of candidates) {
    const filled = sample.filter((row) => textAt(row, column) !== '')
    const asNumber = filled.map((row) => /^\d+(\.\d+)?$/.test(textAt(row, column)))
    const reads = filled.map((row) => read(cellAt(row, column), mayBeNumber(column)) !== null)
    // Below a heading that is a period itself, figures are no days that a spreadsheet counts.
    const hasText = reads.some((good, i) => good && !asNumber[i])
    const good = reads.map((isGood, i) => isGood && !(hasText && asNumber[i]))
    // Titles above and notes below the periods do not count against them.
    const body = good.slice(good.indexOf(true), good.lastIndexOf(true) + 1)
    const count = body.filter(Boolean).length
    const share = count / Math.max(1, body.length)
    if (count >= 2 && share >= 0.8) dated.push(column)
    const enough = count >= 2 || (count === 1 && stated.includes(column))
    if (enough && share >= MOSTLY && share * count > (best?.score ?? 0)) {
      best = { column, score: share * count }
    }
  }
  if (best) {
    const own = asQuarters(
      rows,
      readColumn(rows, best.column, (cell) => read(cell, true)),
    )
    const others = dated.filter((column) => column !== best.column)
    return {
      ...own,
      rivals: others.filter((column) =>
        isRival(readColumn(rows, column, (cell) => read(cell, true)).readings, own.readings),
      ),
    }
  }
  return (
    withDays(rows, findYearAndSeason(rows, sample, candidates), candidates) ??
    findSeasonsUnderYears(rows, candidates) ??
    findDecimalYears(rows, candidates.filter(mayBeNumber)) ??
    findYears(rows, sample, candidates, mayBeNumber)
  )
}

/** `1/2021` to `4/2021` under a heading that speaks of quarters. */
function asQuarters(rows: readonly Row[], found: PeriodColumns): PeriodColumns {
  const [column] = found.columns as [number]
  const first = found.readings.findIndex((reading) => reading !== null)
  const isHeaded = rows.slice(0, first).some((row) => QUARTER_HEADING.test(textAt(row, column)))
  const areNumbers = found.readings.every(
    (reading, at) =>
      !reading ||
      (reading.kind === 'month' &&
        reading.month <= 4 &&
        /^[\d/.-]+$/.test(textAt(rows[at]!, column))),
  )
  if (!isHeaded || !areNumbers) return found
  return {
    ...found,
    readings: found.readings.map((reading) =>
      reading?.kind === 'month'
        ? { kind: 'quarter', year: reading.year, quarter: reading.month }
        : reading,
    ),
  }
}

/** Year and month with the day in a third column. */
function withDays(
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

/** Months or quarters in one column, each year on a row of its own above them. */
function findSeasonsUnderYears(
  rows: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const column of candidates) {
    let year: StatedYear | null = null
    let seasons = 0
    let years = 0
    let others = 0
    const readings = rows.map((row): PeriodReading | null => {
      const text = textAt(row, column)
      const stated = statedYear(text)
      if (stated) {
        year = stated
        years++
        return null
      }
      const season = /^\d+$/.test(text) ? null : readSeason(text)
      if (season && year) seasons++
      else if (text !== '' && year && !TOTAL.test(text)) others++
      return season && year ? inYear(year, season) : null
    })
    if (seasons >= 2 && years >= 2 && seasons > years && others <= 0.1 * seasons) {
      return { columns: [column], readings }
    }
  }
  return null
}

/** Years with decimals that are twelfths or quarters: `1990.083`. */
function findDecimalYears(
  rows: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const column of candidates) {
    const numbers = rows.map((row) => {
      const text = textAt(row, column)
      return /^(18|19|20)\d{2}(\.\d+)?$/.test(text) ? Number(text) : null
    })
    const present = numbers.filter((number) => number !== null)
    if (present.length < 3 || present.every(Number.isInteger)) continue
    const months = present.map((number) => number * 12)
    const steps = months.slice(1).map((month, i) => Math.round(month - months[i]!))
    const areMonths = months.every((month) => Math.abs(month - Math.round(month)) < 0.15)
    if (!areMonths || !steps.every((step) => step === steps[0] && step > 0)) continue
    return {
      columns: [column],
      readings: numbers.map((number): PeriodReading | null => {
        if (number === null) return null
        const month = Math.round(number * 12)
        return { kind: 'month', year: Math.floor(month / 12), month: (month % 12) + 1 }
      }),
    }
  }
  return null
}

/** Whether another column tells of other months, and does not only say the same more or less exactly. */
function isRival(
  others: readonly (PeriodReading | null)[],
  own: readonly (PeriodReading | null)[],
): boolean {
  return others.some((reading, at) => {
    const beside = own[at]
    if (!reading || !beside || reading.kind === 'fiscal' || beside.kind === 'fiscal') return false
    if (reading.kind === 'day' && beside.kind === 'day') {
      return JSON.stringify(reading) !== JSON.stringify(beside)
    }
    return reading.year !== beside.year || monthsOf(reading) !== monthsOf(beside)
  })
}

function readColumn(
  rows: readonly Row[],
  column: number,
  read: (cell: Cell) => PeriodReading | null,
): PeriodColumns {
  return {
    columns: [column],
    readings: withoutFarYears(rows.map((row) => read(cellAt(row, column)))),
  }
}

/** Reads a cell as a period; the same text is read once. */
function cachedReader(order: DayOrder) {
  const known = new Map<string, PeriodReading | null>()
  return (cell: Cell, mayBeNumber: boolean): PeriodReading | null => {
    const text = String(cell)
    const isNumber = /^\d+(\.\d+)?$/.test(text)
    if (isNumber && !mayBeNumber) return null
    const before = known.get(text)
    if (before !== undefined) return before
    const reading = isNumber ? readNumberAsPeriod(text, order) : readPeriod(text, order)
    known.set(text, reading)
    return reading
  }
}

/** `202103`, `20210301`, or a day counted by a spreadsheet. */
function readNumberAsPeriod(text: string, order: DayOrder): PeriodReading | null {
  const compact = readPeriod(text, order)
  if (compact) return compact
  const serial = Number(text)
  if (serial < SERIALS.from || serial > SERIALS.to) return null
  const date = spreadsheetDate(serial, false)
  return date === null ? null : readPeriod(date.slice(0, 10), order)
}

/** What a plain number beside a year can mean, the finest first, and how far it goes. */
const PLAIN = [
  { kind: 'week', most: 53, heading: WEEK_HEADING },
  { kind: 'thirteen', most: 13, heading: /^(?!x)x/ },
  { kind: 'month', most: 12, heading: /^(?!.*(quarter|quartal|trim|week|day|tag)).*(mo|mes|per)/i },
  { kind: 'quarter', most: 4, heading: QUARTER_HEADING },
] as const

/** A year, carried down from the last row that has one, with the season in another column that tells most periods apart. */
function findYearAndSeason(
  rows: readonly Row[],
  sample: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  let best: { found: PeriodColumns; distinct: number } | null = null
  for (const year of candidates) {
    const readYear = yearReader(rows, sample, year)
    if (!readYear) continue
    for (const season of candidates) {
      if (season === year) continue
      const plainNumber = plainNumberOf(rows, sample, year, season, readYear)
      if (plainNumber === null) continue
      const found = readYearAndSeason(rows, year, season, plainNumber, readYear)
      const distinct = new Set(found.readings.map((reading) => JSON.stringify(reading))).size
      if (distinct > (best?.distinct ?? 0)) best = { found, distinct }
    }
  }
  return best?.found ?? null
}

type YearReader = (text: string) => StatedYear | null

/** How the years of a column are written, as they are or counted from the first; null for no years. */
function yearReader(
  rows: readonly Row[],
  sample: readonly Row[],
  column: number,
): YearReader | null {
  if (shareOf(sample, column, (text) => statedYear(text) !== null) >= 0.8) return statedYear
  const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
  const years = texts.slice(texts.findIndex((text) => countedYear(text) !== null))
  return isCounted(years) ? countedYear : null
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
    (text) => readSeason(text) === null && !/^\d{1,2}$/.test(text),
  )
  const reads = (kind: PlainNumber) => (text: string) => readSeason(text, kind) !== null
  const isNamed = sample.some((row) => {
    const text = textAt(row, season)
    return !/^\d+$/.test(text) && readSeason(text) !== null
  })
  if (isNamed) return shareOf(sample, season, reads('month')) >= 0.8 ? 'month' : null
  const numbers = rows.map((row) => textAt(row, season)).filter((text) => /^\d{1,2}$/.test(text))
  const highest = Math.max(...numbers.map(Number))
  if (/per/i.test(heading) && highest === 13) return 'thirteen'
  const headed = PLAIN.find((plain) => plain.heading.test(heading))
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

/** A column of years alone: a yearly series. */
function findYears(
  rows: readonly Row[],
  sample: readonly Row[],
  candidates: readonly number[],
  mayBeNumber: (column: number) => boolean,
): PeriodColumns | null {
  for (const column of candidates.filter(mayBeNumber)) {
    if (shareOf(sample, column, (text) => statedYear(text) !== null) < 0.8) continue
    const readings = rows.map((row): PeriodReading | null => {
      const year = statedYear(textAt(row, column))
      return year === null ? null : { kind: 'year', year: year.year }
    })
    if (readings.filter((reading) => reading !== null).length < 2) continue
    return { columns: [column], readings }
  }
  return null
}

/** Share of a column's filled cells, its heading aside, that fit. */
function shareOf(rows: readonly Row[], column: number, fits: (text: string) => boolean): number {
  const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
  const first = texts.findIndex(fits)
  if (first < 0) return 0
  const body = texts.slice(first)
  return body.filter(fits).length / body.length
}

/** The text above the first cell that is no heading. */
function headingOf(
  rows: readonly Row[],
  column: number,
  isHeading: (text: string) => boolean,
): string {
  let heading = ''
  for (const row of rows) {
    const text = textAt(row, column)
    if (text === '') continue
    if (!isHeading(text)) break
    heading = text
  }
  return heading
}

function hasDateHeading(rows: readonly Row[], column: number): boolean {
  return rows.slice(0, 20).some((row) => {
    const text = textAt(row, column)
    return text.length < 40 && DATE_HEADING.test(text)
  })
}

/** The first rows, and others spread over the rest. */
function sampleOf(rows: readonly Row[]): Row[] {
  if (rows.length <= SAMPLE) return [...rows]
  const step = Math.floor(rows.length / (SAMPLE / 2))
  return [...rows.slice(0, SAMPLE / 2), ...rows.slice(SAMPLE / 2).filter((_, i) => i % step === 0)]
}
