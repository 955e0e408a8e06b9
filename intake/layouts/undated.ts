import {
  calendarOf,
  FREQUENCIES,
  type Calendar,
  type Frequency,
} from '../../core/calendar/calendar'
import { axisOf } from '../../core/calendar/axis'
import { exampleCode, parsePeriod } from '../../core/calendar/codes'
import type { Period } from '../../core/calendar/period'
import { cellAt, countUp, isBlank, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { seasonLengths } from '../../core/seasonality/seasonLength'
import type { Value } from '../../core/series/series'
import { findCycle, startOfCycle } from './cycles'
import { readNumber } from '../numbers/numberText'
import { isFigure, MARKS } from './figures'
import type { PeriodReading } from '../periods/periodReading'
import { readSeason } from '../periods/seasonText'
import type { ColumnRole, RowKind } from '../reading'
import { titleOf, type Extraction } from './observations'
import { yearStatedAbove } from './statedAbove'

const WORDS: Partial<Record<Frequency, string>> = {
  monthly: 'Twelve values are a year.',
  quarterly: 'Four values are a year.',
  'half-yearly': 'Two values are a year.',
  yearly: 'Every value is a year.',
  seasons: 'Any other number of values is a year.',
}

/**
 * Takes columns of figures without any dates apart: the analyst states the frequency and the first period.
 *
 * @param above the year that stands over the table elsewhere
 * @returns null when no column holds mostly figures
 */
export function extractUndated(
  rows: readonly Row[],
  inquiry: Inquiry,
  above: number | null = null,
): Extraction | null {
  const written = rows.filter((row) => !isBlank(row)).length
  const figures = countUp(widthOf(rows)).filter(
    (column) =>
      rows.filter((row) => isFigure(row, column)).length >= Math.max(2, 0.6 * written - 1),
  )
  // A column that counts the rows is none of values, unless it is the only one.
  const own = figures.filter((column) => !countsRows(rows, column))
  const values = own.length > 0 ? own : figures
  if (values.length === 0) return null
  const first = rows.findIndex((row) => values.some((column) => isFigure(row, column)))
  const header = rows[first - 1]
  const filled = rows.slice(first).filter((row) => !isBlank(row))
  const cycle =
    inquiry.answers.frequency === undefined ? findCycle(rows, filled.filter(hasFigures)) : null
  const data = cycle?.data ?? filled
  if (!cycle) requireNoNames(data, values, header)
  const totals = cycle ? filled.filter((row) => hasFigures(row) && !data.includes(row)) : []
  if (totals.length > 0) {
    inquiry.note(
      'total-rows',
      `${totals.length} ${totals.length === 1 ? 'line' : 'lines'} of totals or averages: not read, the figures are in the other rows.`,
      `line ${totals[0]!.line}`,
    )
  }
  const { calendar, start } = cycle
    ? {
        calendar: cycle.calendar,
        start: startOfCycle(cycle, above ?? yearStatedAbove(rows.slice(0, first)), inquiry),
      }
    : statedStart(valuesIn(data, values[0]!), inquiry)
  const { periodAt } = axisOf({ calendar, start })
  const periods = data.map((_, i) => {
    const { cycle: year, season } = periodAt(i + 1)
    return readingOf(calendar, year, season)
  })
  return {
    layout: 'undated',
    rowKinds: rows.map((_, at): RowKind =>
      at < first - 1
        ? 'title'
        : at < first
          ? 'header'
          : totals.includes(rows[at]!)
            ? 'total'
            : data.includes(rows[at]!)
              ? 'data'
              : 'note',
    ),
    columnRoles: countUp(widthOf(rows)).map((column): ColumnRole =>
      column === cycle?.column ? 'period' : values.includes(column) ? 'value' : 'ignored',
    ),
    series: values
      .filter((column) => column !== cycle?.column)
      .map((column) => ({
        ...titleOf(header ? textAt(header, column) : '', column),
        observations: data.map((row, i) => ({
          period: periods[i]!,
          cell: cellAt(row, column),
          line: row.line,
          column,
        })),
      })),
  }
}

function hasFigures(row: Row): boolean {
  return row.cells.some((_, column) => isFigure(row, column))
}

/** How often it is counted and where it begins, as the analyst says. */
function statedStart(
  values: readonly Value[],
  inquiry: Inquiry,
): { readonly calendar: Calendar; readonly start: Period } {
  const frequency = inquiry.ask({
    id: 'frequency',
    ask: 'No dates were found. How often is it counted?',
    options: FREQUENCIES.flatMap((value) =>
      WORDS[value] ? [{ value, consequence: WORDS[value] }] : [],
    ),
  }) as Frequency
  const count = values.length
  const calendar = frequency === 'seasons' ? askForSeasons(values, inquiry) : calendarOf(frequency)
  const stated = inquiry.ask({
    id: 'start',
    ask: `Which period is the first of the ${count} values? It is written ${exampleCode(calendar)}.`,
    options: [],
  })
  const start = parsePeriod(stated.trim(), calendar)
  if (!start) {
    throw new Unreadable([
      whole(
        `"${stated}" is no first period; with the frequency ${frequency} it is written ${exampleCode(calendar)}.`,
      ),
    ])
  }
  return { calendar, start }
}

/** Whether the figures of a column go up by one from row to row. */
function countsRows(rows: readonly Row[], column: number): boolean {
  const numbers = rows
    .filter((row) => isFigure(row, column))
    .map((row) => Number(textAt(row, column)))
  return (
    numbers.length > 2 && numbers.every((number, i) => i === 0 || number === numbers[i - 1]! + 1)
  )
}

/** @throws Unreadable where every row has a name of its own: the rows are things, and not periods */
function requireNoNames(data: readonly Row[], values: readonly number[], header?: Row): void {
  const named = countUp(widthOf(data)).find((column) => {
    const names = data.map((row) => textAt(row, column))
    return (
      !values.includes(column) &&
      names.every((name) => /\p{L}{2}/u.test(name)) &&
      // Months without a year are periods; the first is asked for.
      names.some((name) => readSeason(name) === null) &&
      new Set(names).size === names.length
    )
  })
  if (named === undefined) return
  const label = (header && textAt(header, named)) || `Column ${named + 1}`
  throw new Unreadable([
    whole(
      `There is no column of periods: "${label.slice(0, 60)}" holds names. Rows must be months, quarters or other periods.`,
    ),
  ])
}

/** The values of a column, as far as they can be told before the mark before their decimals is asked for. */
function valuesIn(rows: readonly Row[], column: number): Value[] {
  const [point, comma] = MARKS.map((mark) =>
    rows.map((row): Value => {
      const reading = readNumber(cellAt(row, column), mark)
      return reading.kind === 'number' ? reading.value : null
    }),
  )
  const count = (values: readonly Value[]) => values.filter((value) => value !== null).length
  return count(comma!) > count(point!) ? comma! : point!
}

/** Any number of seasons, twice of which there must be values for; what the values say is proposed, and never taken unasked. */
function askForSeasons(values: readonly Value[], inquiry: Inquiry): Calendar {
  const count = values.length
  const stated = inquiry.ask({
    id: 'seasons',
    ask: 'How many values are a year, or another turn of the seasons? A whole number from 2, such as 7 or 13.',
    options: [],
    proposed: seasonLengths(values).map(({ length, likeness, multipleOf }) => ({
      value: String(length),
      consequence: `Values ${length} apart are alike (autocorrelation ${likeness.toFixed(2)} without the trend)${multipleOf === null ? '' : `; it is ${length / multipleOf} times ${multipleOf}`}.`,
    })),
  })
  const seasons = Number(stated)
  if (!Number.isInteger(seasons) || seasons < 2 || seasons > Math.min(1000, count)) {
    throw new Unreadable([
      whole(`"${stated}" is no number of seasons from 2 to ${Math.min(1000, count)}.`),
    ])
  }
  return calendarOf('seasons', { seasons })
}

function readingOf({ frequency, seasons }: Calendar, year: number, season: number): PeriodReading {
  switch (frequency) {
    case 'seasons':
      return { kind: 'season', year, season, of: seasons }
    case 'quarterly':
      return { kind: 'quarter', year, quarter: season }
    case 'half-yearly':
      return { kind: 'half-year', year, half: season }
    case 'yearly':
      return { kind: 'year', year }
    default:
      return { kind: 'month', year, month: season }
  }
}
