import { cellAt, countUp, textAt, widthOf, type Cell, type Row } from '../grid'
import { spreadsheetDate } from '../containers/spreadsheetDate'
import { inYear, readPeriod, readSeason } from '../periods/periodText'
import { yearOf, type DayOrder, type PeriodReading } from '../periods/periodReading'
import type { ColumnRole } from '../reading'
import { DATE_HEADING, QUARTER_HEADING } from './words'

/** Where the periods of a table stand, and what they say. */
export interface PeriodColumns {
  readonly columns: readonly number[]
  /** One entry a row; null where there is no period. */
  readonly readings: readonly (PeriodReading | null)[]
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
  for (const column of candidates) {
    const filled = sample.filter((row) => textAt(row, column) !== '')
    const good = filled.map((row) => read(cellAt(row, column), mayBeNumber(column)) !== null)
    // Titles above and notes below the periods do not count against them.
    const body = good.slice(good.indexOf(true), good.lastIndexOf(true) + 1)
    const count = body.filter(Boolean).length
    const share = count / Math.max(1, body.length)
    const enough = count >= 2 || (count === 1 && stated.includes(column))
    if (enough && share >= MOSTLY && share * count > (best?.score ?? 0)) {
      best = { column, score: share * count }
    }
  }
  if (best) return readColumn(rows, best.column, (cell) => read(cell, true))
  return (
    findYearAndSeason(rows, sample, candidates) ?? findYears(rows, sample, candidates, mayBeNumber)
  )
}

function readColumn(
  rows: readonly Row[],
  column: number,
  read: (cell: Cell) => PeriodReading | null,
): PeriodColumns {
  return { columns: [column], readings: rows.map((row) => read(cellAt(row, column))) }
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

/** A year, carried down from the last row that has one, with a season in another column. */
function findYearAndSeason(
  rows: readonly Row[],
  sample: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const year of candidates) {
    if (shareOf(sample, year, (text) => statedYear(text) !== null) < 0.8) continue
    for (const season of candidates) {
      if (season === year) continue
      const heading = headingOf(sample, season, (text) => readSeason(text) === null)
      const plainNumber = QUARTER_HEADING.test(heading) ? 'quarter' : 'month'
      const reads = (text: string) => readSeason(text, plainNumber) !== null
      if (shareOf(sample, season, reads) < 0.8) continue
      const texts = sample.map((row) => textAt(row, season)).filter(reads)
      const isNamed = texts.some((text) => !/^\d+$/.test(text))
      const isHeaded = DATE_HEADING.test(heading) || QUARTER_HEADING.test(heading)
      if (!isNamed && !isHeaded && !(heading === '' && countsUp(texts))) continue
      return readYearAndSeason(rows, year, season, plainNumber)
    }
  }
  return null
}

function readYearAndSeason(
  rows: readonly Row[],
  yearColumn: number,
  seasonColumn: number,
  plainNumber: 'month' | 'quarter',
) {
  let year: number | null = null
  const readings = rows.map((row): PeriodReading | null => {
    const stated = textAt(row, yearColumn)
    if (stated !== '') year = statedYear(stated)
    const season = readSeason(textAt(row, seasonColumn), plainNumber)
    return year === null || season === null ? null : inYear(year, season)
  })
  return { columns: [yearColumn, seasonColumn], readings }
}

/** Whether numbers without a heading run 1, 2, 3 … and begin again, as seasons do. */
function countsUp(texts: readonly string[]): boolean {
  return texts.every((text, i) => i === 0 || [1, Number(texts[i - 1]) + 1].includes(Number(text)))
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
      return year === null ? null : { kind: 'year', year }
    })
    if (readings.filter((reading) => reading !== null).length < 2) continue
    return { columns: [column], readings }
  }
  return null
}

/** `2021`, `FY2021`, `2021/22` (the year in which it ends is not known: refused). */
export function statedYear(text: string): number | null {
  const match = /^(?:FY|GJ)? ?(\d{4})$/i.exec(text)
  return match ? yearOf(match[1]!) : null
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
