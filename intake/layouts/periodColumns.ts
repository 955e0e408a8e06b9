import { cellAt, countUp, textAt, widthOf, type Cell, type Row } from '../grid'
import { monthsOf } from '../assemble/commonCalendar'
import { spreadsheetDate } from '../containers/spreadsheetDate'
import { withoutFarYears } from '../periods/farYears'
import { readPeriod } from '../periods/periodText'
import { weekByHeading } from '../periods/rangeText'
import type { DayOrder, PeriodReading } from '../periods/periodReading'
import type { ColumnRole } from '../reading'
import { headingOf } from './columnTexts'
import type { PeriodColumns } from './observations'
import { DATE_HEADING, ID_HEADING, QUARTER_HEADING, YEAR_HEADING } from './words'
import { findNumberedWeeks } from './weekColumns'
import { findYearAndSeason, withDays } from './yearAndSeason'
import { findDecimalYears, findSeasonsUnderYears, findYears } from './yearColumns'

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
    stated.includes(column) ||
    hasDateHeading(sample, column) ||
    // Article 201801 is no month.
    (column === firstFilled && !hasIdHeading(sample, column))

  const weeks = stated.length === 0 ? findNumberedWeeks(rows, candidates) : null
  if (weeks) return weeks
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
    const own = asThirds(
      rows,
      asQuarters(
        rows,
        byHeading(
          rows,
          readColumn(rows, best.column, (cell) => read(cell, true)),
        ),
      ),
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

/** Days of weeks that the heading says they begin or end. */
function byHeading(rows: readonly Row[], found: PeriodColumns): PeriodColumns {
  const [column] = found.columns as [number]
  const first = found.readings.findIndex((reading) => reading !== null)
  const heading = first > 0 ? textAt(rows[first - 1]!, column) : ''
  return {
    ...found,
    readings: found.readings.map((reading) => reading && weekByHeading(reading, heading)),
  }
}

/** `T1` to `T3` or three terms, in year after year without a fourth, are thirds of a year. */
function asThirds(rows: readonly Row[], found: PeriodColumns): PeriodColumns {
  const [column] = found.columns as [number]
  if (found.readings.find((reading) => reading !== null)?.kind !== 'quarter') return found
  const read = found.readings.flatMap((reading, at) => (reading ? [{ reading, at }] : []))
  const areTerms = read.every(
    ({ reading, at }) =>
      reading.kind === 'quarter' && reading.quarter <= 3 && /t/i.test(textAt(rows[at]!, column)),
  )
  const years = new Set(read.map(({ reading }) => reading.year)).size
  if (!areTerms || years < 2 || read.length < 3 * (years - 1)) return found
  return {
    ...found,
    readings: found.readings.map((reading) =>
      reading?.kind === 'quarter'
        ? {
            kind: 'season',
            year: reading.year,
            season: reading.quarter,
            of: 3,
            names: ['T1', 'T2', 'T3'],
          }
        : reading,
    ),
  }
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

function hasDateHeading(rows: readonly Row[], column: number): boolean {
  return rows.slice(0, 20).some((row) => {
    const text = textAt(row, column)
    // Below a heading of years no number is a day that a spreadsheet counts.
    return text.length < 40 && DATE_HEADING.test(text) && !YEAR_HEADING.test(text)
  })
}

/** Whether the text over the numbers of a column says that they name things. */
function hasIdHeading(rows: readonly Row[], column: number): boolean {
  return ID_HEADING.test(headingOf(rows, column, (text) => !/^\d/.test(text)))
}

/** The first rows, and others spread over the rest. */
function sampleOf(rows: readonly Row[]): Row[] {
  if (rows.length <= SAMPLE) return [...rows]
  const step = Math.floor(rows.length / (SAMPLE / 2))
  return [...rows.slice(0, SAMPLE / 2), ...rows.slice(SAMPLE / 2).filter((_, i) => i % step === 0)]
}
