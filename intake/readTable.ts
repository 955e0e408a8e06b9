import { periodLabel } from '../core/calendar/labels'
import { formatPeriod, periodAt, periodsBetween, type Period } from '../core/calendar/period'
import type { Calendar } from '../core/calendar/calendar'
import type { Value } from '../core/series'
import { cutIntoCells, type RawRow } from './cells'
import { cell, findPeriodColumns } from './columns'
import { readNumber } from './numberText'
import type { PeriodReading } from './periodText'
import type { ColumnRole, IntakeNote, IntakeProblem, Reading, ReadSeries } from './reading'
import { findTimeAxis } from './timeAxis'

/** More problems than this help nobody; the rest are counted. */
const MOST_PROBLEMS = 50
/** A wrong year must not make a series of a million empty months. */
const MOST_PERIODS = 20_000

/**
 * Reads delimited text with a period column and value columns into series.
 *
 * What is not understood refuses the whole file, with the line and column of every such place:
 * a cell is never dropped and never guessed. A period without a row becomes a missing value.
 *
 * @param text the file
 * @returns the series with the rows they came from, or the problems with the same rows
 * @example readTable('month,Sales (litres)\n2021-01,40\n2021-02,42').series[0].series.unit // 'litres'
 */
export function readTable(text: string): Reading {
  const { rows, brokenAt } = cutIntoCells(text)
  const unread = { rows, roles: widthOf(rows).map(() => null), hasHeader: false }
  const refused = (problems: IntakeProblem[], known: Partial<Reading> = {}): Reading => ({
    ...unread,
    ...known,
    outcome: 'refused',
    problems:
      problems.length > MOST_PROBLEMS
        ? [
            ...problems.slice(0, MOST_PROBLEMS),
            whole(`… and ${problems.length - MOST_PROBLEMS} more like these.`),
          ]
        : problems,
  })
  if (brokenAt !== null) {
    return refused([
      {
        line: brokenAt,
        column: null,
        because: 'A quotation mark is opened here and never closed.',
      },
    ])
  }
  if (rows.length === 0) return refused([whole('There is nothing in it.')])
  const found = findPeriodColumns(rows)
  if (!found) {
    return refused([
      whole(
        'No column of periods was found. Periods are read as 2021-03, 2021-03-01, Mar 2021, 2021 Q1, or as year and month or quarter in two columns.',
      ),
    ])
  }

  const hasHeader = found.read(rows[0]!) === null
  const header = hasHeader ? rows[0]! : null
  const body = hasHeader ? rows.slice(1) : rows
  const roles = rolesOf(rows, found.columns)
  const valueColumns = roles.flatMap((role, column) => (role === 'value' ? [column] : []))
  const known = { roles, hasHeader }
  if (body.length === 0 || valueColumns.length === 0) {
    return refused([whole('There are periods, but no column of values beside them.')], known)
  }

  const problems: IntakeProblem[] = []
  const periods = body.map((row): PeriodReading | null => {
    const period = found.read(row)
    if (!period) problems.push(unreadPeriod(row, found.columns))
    return period
  })
  const columns = valueColumns.map((column) => readColumn(body, column, problems))
  if (problems.length > 0) return refused(byPlace(problems), known)

  const axis = findTimeAxis(periods as PeriodReading[])
  if ('refusedAt' in axis) {
    const row = body[axis.refusedAt]!
    return refused([atCell(row, found.columns[0]!, axis.because)], known)
  }
  const order = inOrder(axis.periods, axis.calendar)
  const twice = repeated(order, body, axis.periods, axis.calendar, found.columns[0]!)
  if (twice.length > 0) return refused(twice, known)
  const start = axis.periods[order[0]!]!
  const length = periodsBetween(start, axis.periods[order.at(-1)!]!, axis.calendar.seasons) + 1
  if (length > MOST_PERIODS) {
    const row = body[order.at(-1)!]!
    return refused(
      [
        atCell(
          row,
          found.columns[0]!,
          `lies ${length - 1} periods after the first one; is the year right`,
        ),
      ],
      known,
    )
  }

  const series = valueColumns.map((column, i): ReadSeries => {
    const values = Array<Value>(length).fill(null)
    for (const at of order) {
      values[periodsBetween(start, axis.periods[at]!, axis.calendar.seasons)] = columns[i]![at]!
    }
    return {
      column,
      series: { ...titleOf(header, column), calendar: axis.calendar, start, values },
    }
  })
  const empty = series.filter(({ series: { values } }) => values.every((value) => value === null))
  if (empty.length > 0) {
    return refused(
      empty.map(({ column }) => ({
        line: null,
        column: column + 1,
        because: `The column ${nameColumn(header, column)} has no value in it. Take it out of the file.`,
      })),
      known,
    )
  }
  return {
    rows,
    ...known,
    outcome: 'ok',
    series,
    notes: [
      ...headerNotes(hasHeader, roles),
      ...orderNotes(order, body),
      ...gapNotes(order, axis.periods, start, length, axis.calendar),
      ...series.flatMap(missingValueNote),
    ],
  }
}

function widthOf(rows: readonly RawRow[]): number[] {
  const width = Math.max(0, ...rows.map((row) => row.cells.length))
  return Array.from({ length: width }, (_, column) => column)
}

function rolesOf(rows: readonly RawRow[], periodColumns: readonly number[]): ColumnRole[] {
  return widthOf(rows).map((column) => {
    if (periodColumns.includes(column)) return 'period'
    return rows.some((row) => cell(row, column) !== '') ? 'value' : 'empty'
  })
}

function readColumn(body: readonly RawRow[], column: number, problems: IntakeProblem[]): Value[] {
  return body.map((row) => {
    const read = readNumber(cell(row, column))
    if (read.kind === 'unreadable') problems.push(atCell(row, column, read.because))
    return read.kind === 'number' ? read.value : null
  })
}

/** Name and unit from a heading: `Sales (litres)`; without a unit it is left to be stated. */
function titleOf(header: RawRow | null, column: number): { name: string; unit: string } {
  const heading = header ? cell(header, column) : ''
  const match = /^(.+?)\s*[([]([^()[\]]+)[)\]]$/.exec(heading)
  if (match) return { name: match[1]!, unit: match[2]!.trim() }
  return { name: heading || `Column ${column + 1}`, unit: '' }
}

function nameColumn(header: RawRow | null, column: number): string {
  return `"${titleOf(header, column).name}"`
}

function whole(because: string): IntakeProblem {
  return { line: null, column: null, because }
}

function atCell(row: RawRow, column: number, because: string): IntakeProblem {
  return { line: row.line, column: column + 1, because: `"${cell(row, column)}" ${because}.` }
}

function unreadPeriod(row: RawRow, columns: readonly number[]): IntakeProblem {
  const text = columns.map((column) => cell(row, column)).join(' ')
  return {
    line: row.line,
    column: columns[0]! + 1,
    because: text
      ? `"${text}" is not a period as 2021-03, 2021-03-01, Mar 2021 or 2021 Q1. A total or a note has to go from the file.`
      : 'There is no period on this line.',
  }
}

function byPlace(problems: readonly IntakeProblem[]): IntakeProblem[] {
  return [...problems].sort(
    (a, b) => (a.line ?? 0) - (b.line ?? 0) || (a.column ?? 0) - (b.column ?? 0),
  )
}

/** Row numbers in the order of their periods; equal periods keep the order of the file. */
function inOrder(periods: readonly Period[], { seasons }: Calendar): number[] {
  return periods
    .map((_, i) => i)
    .sort((a, b) => periodsBetween(periods[b]!, periods[a]!, seasons) || a - b)
}

function repeated(
  order: readonly number[],
  body: readonly RawRow[],
  periods: readonly Period[],
  calendar: Calendar,
  column: number,
): IntakeProblem[] {
  return order.flatMap((at, i) => {
    const before = order[i - 1]
    if (before === undefined) return []
    if (periodsBetween(periods[before]!, periods[at]!, calendar.seasons) !== 0) return []
    return [
      {
        line: body[at]!.line,
        column: column + 1,
        because: `${periodLabel(periods[at]!, calendar)} stands here and on line ${body[before]!.line}. Keep one of the two, or their sum.`,
      },
    ]
  })
}

function headerNotes(hasHeader: boolean, roles: readonly ColumnRole[]): IntakeNote[] {
  const notes: IntakeNote[] = []
  if (!hasHeader) {
    notes.push({
      code: 'no-header',
      text: 'The file has no headings; name the series here.',
      where: 'line 1',
    })
  }
  roles.forEach((role, column) => {
    if (role === 'empty') {
      notes.push({
        code: 'empty-column',
        text: `Column ${column + 1} is empty and was passed over.`,
        where: `column ${column + 1}`,
      })
    }
  })
  return notes
}

function orderNotes(order: readonly number[], body: readonly RawRow[]): IntakeNote[] {
  const at = order.findIndex((row, i) => row !== i)
  return at < 0
    ? []
    : [
        {
          code: 'sorted',
          text: 'The rows were not in the order of time and have been sorted.',
          where: `line ${body[at]!.line}`,
        },
      ]
}

function gapNotes(
  order: readonly number[],
  periods: readonly Period[],
  start: Period,
  length: number,
  calendar: Calendar,
): IntakeNote[] {
  const missing = length - order.length
  if (missing === 0) return []
  const present = new Set(order.map((at) => periodsBetween(start, periods[at]!, calendar.seasons)))
  const first = Array.from({ length }, (_, i) => i).find((i) => !present.has(i))!
  const period = periodAt(start, first + 1, calendar.seasons)
  return [
    {
      code: 'missing-periods',
      text: `${missing} ${missing === 1 ? 'period has' : 'periods have'} no row, the first is ${periodLabel(period, calendar)}; ${missing === 1 ? 'it is' : 'they are'} kept as missing.`,
      where: formatPeriod(period, calendar),
    },
  ]
}

function missingValueNote({ series, column }: ReadSeries): IntakeNote[] {
  const empty = series.values.filter((value) => value === null).length
  return empty === 0
    ? []
    : [
        {
          code: 'missing-values',
          text: `${series.name}: ${empty} of ${series.values.length} periods have no value.`,
          where: `column ${column + 1}`,
        },
      ]
}
