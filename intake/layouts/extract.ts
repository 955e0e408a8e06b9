import { countUp, textAt, widthOf, type Row } from '../grid'
import { Inquiry, Unreadable, Waiting, whole } from '../inquiry'
import { monthsOf } from '../assemble/commonCalendar'
import { LAST_YEAR } from '../periods/farYears'
import type { ColumnRole } from '../reading'
import { statedYear } from '../periods/seasonText'
import type { DayOrder } from '../periods/periodReading'
import { carryPeriods, joinYearsAndSeasons, rowOfPeriods, rowOfSeasons, turnOver } from './across'
import { isFigure } from './figures'
import { withFiscalYears } from './fiscalYears'
import { extractMatrix, headsYearsOverSeasons } from './matrix'
import type { Extraction, PeriodColumns } from './observations'
import { withOwnSeasons } from './ownSeasons'
import { findPeriodColumns } from './periodColumns'
import { extractTable } from './table'
import { yearStatedAbove } from './statedAbove'
import { extractUndated } from './undated'

/**
 * Finds the layout of a sheet and takes it apart. The analyst's answers `layout` and `role.N` (N is the
 * column, from 1) come before every guess.
 *
 * @throws Unreadable when no layout fits, with what would
 * @throws Waiting for an answer
 */
export function extract(rows: readonly Row[], order: DayOrder, inquiry: Inquiry): Extraction {
  const wanted = wantedRoles(inquiry, widthOf(rows))
  const layout = inquiry.answers.layout
  // Years within headings over rows of months leave no doubt, and would be taken for values else.
  const named =
    layout === undefined && headsYearsOverSeasons(rows) ? extractMatrix(rows, inquiry) : null
  if (named) return named
  if (layout === undefined || layout === 'columns' || layout === 'long') {
    const found = chosenPeriods(rows, order, wanted, inquiry)
    // A year by itself may be that of a matrix, whose seasons stand in its headings.
    const mayBeMatrix =
      layout === undefined &&
      (found?.columns.length === 2 ||
        found?.readings.every((reading) => reading === null || reading.kind === 'year'))
    if (found && !(mayBeMatrix && isMatrix(rows, inquiry))) {
      const periods = withFiscalYears(rows, found, inquiry)
      sayFiscalYears(rows, periods, inquiry)
      return extractTable(rows, periods, inquiry, wanted)
    }
  }
  if (layout === undefined || layout === 'matrix') {
    const matrix = extractMatrix(rows, inquiry)
    if (matrix) return matrix
  }
  if (layout === undefined || layout === 'across') {
    const joined = joinYearsAndSeasons(rows)
    const row = rowOfPeriods(joined, order)
    if (row >= 0) return extractAcross(carryPeriods(joined, row, order), row, order, inquiry)
    const seasons = rowOfSeasons(rows)
    if (seasons >= 0) return seasonsAcross(rows, seasons, inquiry)
  }
  const undated =
    layout === undefined || layout === 'undated' ? extractUndated(rows, inquiry) : null
  if (undated) return undated
  throw new Unreadable([whole(whyNothing(rows))])
}

/** Whether a sheet is a matrix; one that asks something is one. */
function isMatrix(rows: readonly Row[], inquiry: Inquiry): boolean {
  try {
    return extractMatrix(rows, quiet(inquiry)) !== null
  } catch (error) {
    if (error instanceof Waiting) return true
    throw error
  }
}

/** What a sheet without any series lacks. */
function whyNothing(rows: readonly Row[]): string {
  const hasFigure = (row: Row) => row.cells.some((_, column) => isFigure(row, column))
  if (rows.length === 1 && !hasFigure(rows[0]!)) return 'There are headings and no rows below them.'
  if (rows.filter(hasFigure).length === 1) {
    return 'There is one row of figures; a series has two periods at least.'
  }
  if (!rows.some(hasFigure)) return 'There are no figures in it.'
  return 'No periods were found. They can stand in a column (2021-03, Mar 2021, 2021 Q1, 31.03.2021, week or day), in two columns of year and month, or as a matrix of years and months.'
}

/** The answer of a trial, in which no question is asked. */
export const ANY = 'any'

/** Years that no sales are known of yet are pointed out, not believed. */
function requireYearsInReach({ readings }: PeriodColumns, inquiry: Inquiry): void {
  const far = readings.find((reading) => reading !== null && reading.year > LAST_YEAR)
  if (!far || inquiry.answers['period-column'] === ANY) return
  const answer = inquiry.ask({
    id: 'far-years',
    ask: `The periods lie in the year ${far.year}. Is that right?`,
    options: [
      { value: 'stop', consequence: 'No: nothing is read; mend the years in the file first.' },
      { value: 'keep', consequence: `Yes: the series runs in ${far.year}.` },
    ],
  })
  if (answer === 'stop') {
    throw new Unreadable([whole(`The periods lie in the year ${far.year}; mend them first.`)])
  }
}

/** A year that lies in two calendar years is called after the second. */
function sayFiscalYears(
  rows: readonly Row[],
  { columns, readings }: PeriodColumns,
  inquiry: Inquiry,
): void {
  const at = readings.findIndex(
    (reading, row) =>
      reading?.kind === 'year' && statedYear(textAt(rows[row]!, columns[0]!))?.isFiscal,
  )
  if (at < 0 || inquiry.notes.some(({ code }) => code === 'fiscal-years')) return
  const text = textAt(rows[at]!, columns[0]!)
  inquiry.note(
    'fiscal-years',
    `Years are called after the one they end in: ${text} is ${readings[at]!.year}.`,
    `line ${rows[at]!.line}`,
  )
}

/** Headings over the first and last day of what a row is about. */
const BEGINS = /^(from|start|begin|von|du|desde)/i
const ENDS = /^(to|until|end|bis|au|hasta)/i

/** The column of periods; of two with dates of their own, the one that the analyst says. */
function chosenPeriods(
  rows: readonly Row[],
  order: DayOrder,
  wanted: ReadonlyMap<number, ColumnRole>,
  inquiry: Inquiry,
): PeriodColumns | null {
  const found = findPeriodColumns(rows, order, wanted)
  if (found) requireYearsInReach(found, inquiry)
  if (found && !found.rivals) return withOwnSeasons(rows, found, inquiry)
  if (!found?.rivals || found.rivals.length === 0 || [...wanted.values()].includes('period'))
    return found
  if (inquiry.answers['period-column'] === ANY) return found
  const first = found.readings.findIndex((reading) => reading !== null)
  const header = rows[first - 1]
  const name = (column: number) => (header && textAt(header, column)) || `column ${column + 1}`
  const columns = [...found.columns, ...found.rivals].sort((a, b) => a - b)
  const [begins, ends] = columns.map(name) as [string, string]
  if (columns.length === 2 && BEGINS.test(begins) && ENDS.test(ends)) {
    inquiry.note('from-to', `Rows run from "${begins}" to "${ends}"; the first says their period.`)
    return findPeriodColumns(rows, order, new Map([...wanted, [columns[0]!, 'period']]))
  }
  const strays = (column: number) =>
    straysOf(findPeriodColumns(rows, order, new Map([...wanted, [column, 'period']])))
  const proposed = columns
    .map((column) => ({ column, strays: strays(column) }))
    .sort((a, b) => a.strays - b.strays)
    .map(({ column }) => column)
  const answer = inquiry.ask({
    id: 'period-column',
    ask: `${columns.map((column) => `"${name(column).slice(0, 40)}"`).join(' and ')} both hold dates. Which says the period of a row?`,
    options: proposed.map((column) => ({
      value: String(column + 1),
      consequence: `Rows count when "${name(column).slice(0, 40)}" says, as line ${rows[first]!.line} on ${textAt(rows[first]!, column)}.`,
    })),
  })
  const chosen = Number(answer) - 1
  return findPeriodColumns(rows, order, new Map([...wanted, [chosen, 'period']]))
}

/** A month with fewer than this share of the rows of the middle one is not whole. */
const WHOLE = 0.5

/**
 * How many months a column of dates makes that are not whole, to propose first the one that parts the rows into whole periods:
 * deliveries trail behind the last orders. Periods that follow one another, each in one row, have none.
 */
function straysOf(found: PeriodColumns | null): number {
  const places = (found?.readings ?? []).flatMap((reading) => (reading ? [monthsOf(reading)] : []))
  const isByDay = found?.readings.some((reading) => reading?.kind === 'day')
  const counts = new Map<number, number>()
  for (const place of places) counts.set(place, (counts.get(place) ?? 0) + 1)
  const sizes = [...counts.values()].sort((a, b) => a - b)
  const middle = sizes[Math.floor(sizes.length / 2)]
  if (middle === undefined) return Infinity
  const few = sizes.filter((size) => size < WHOLE * middle).length
  const span = Math.max(...counts.keys()) - Math.min(...counts.keys()) + 1
  // One day in each month is a date that something else was written down on.
  return few + (span - counts.size) + (isByDay && middle === 1 ? 1 : 0)
}

/** Periods in the heading row, a series in each row: a table that lies on its side. */
function extractAcross(
  rows: readonly Row[],
  row: number,
  order: DayOrder,
  inquiry: Inquiry,
): Extraction {
  const turned = turnOver(rows)
  const found = findPeriodColumns(turned, order, new Map([[row, 'period']]))
  if (!found) throw new Unreadable([whole('The periods across the sheet cannot be read.')])
  return turnedBack(rows, turned.length, found.columns, inquiry, (own) =>
    extractTable(turned, found, own, new Map()),
  )
}

/** Months or quarters in the heading row without a year, a series in each row. */
function seasonsAcross(rows: readonly Row[], row: number, inquiry: Inquiry): Extraction {
  const above = yearStatedAbove(rows.slice(0, row))
  const turned = turnOver(rows.slice(row))
  return turnedBack(
    rows,
    turned.length,
    [row],
    inquiry,
    (own) => {
      const table = extractUndated(turned, own, above)
      if (!table) throw new Unreadable([whole('The figures below the months cannot be read.')])
      return table
    },
    row,
  )
}

/**
 * A table that was read turned over, with its rows as columns again.
 *
 * @param periods entries of the rows that hold the periods
 * @param from entry of the row that was the first column of the table turned over
 */
function turnedBack(
  rows: readonly Row[],
  width: number,
  periods: readonly number[],
  inquiry: Inquiry,
  read: (own: Inquiry) => Extraction,
  from = 0,
): Extraction {
  const own = new Inquiry(inquiry.answers)
  const table = turnedTable()
  inquiry.note('across', 'Periods run across the sheet; each row is a series.')
  return {
    ...table,
    layout: 'across',
    // What was a row of the table turned over is a column of the sheet.
    rowKinds: rows.map((_, at) =>
      periods.includes(at)
        ? 'header'
        : at < from
          ? 'title'
          : table.columnRoles[at - from] === 'value'
            ? 'data'
            : table.columnRoles[at - from] === 'total'
              ? 'total'
              : 'note',
    ),
    columnRoles: countUp(width).map((column): ColumnRole => {
      const kind = table.rowKinds[column]
      return kind === 'data'
        ? 'value'
        : kind === 'header' || kind === 'title'
          ? 'key'
          : kind === 'total'
            ? 'total'
            : 'ignored'
    }),
    series: table.series.map((series) => ({
      ...series,
      observations: series.observations.map((seen) => ({
        ...seen,
        line: rows[seen.column + from]!.line,
        column: seen.line - 1,
      })),
    })),
  }

  /** Its questions are asked here; its notes speak of rows that are columns, and are not passed on. */
  function turnedTable(): Extraction {
    try {
      return read(own)
    } finally {
      inquiry.questions.push(...own.questions)
    }
  }
}

const ROLES: readonly string[] = ['period', 'key', 'value', 'ignored']

function wantedRoles({ answers }: Inquiry, width: number): Map<number, ColumnRole> {
  const wanted = new Map<number, ColumnRole>()
  for (const [id, role] of Object.entries(answers)) {
    const column = Number(/^role\.(\d+)$/.exec(id)?.[1]) - 1
    if (Number.isNaN(column)) continue
    if (column >= width || !ROLES.includes(role)) {
      throw new Unreadable([
        whole(
          `The answer ${id}=${role} names no column of the sheet, or no role; a role is ${ROLES.join(', ')}.`,
        ),
      ])
    }
    wanted.set(column, role as ColumnRole)
  }
  return wanted
}

/** To try a layout without saying anything yet. */
function quiet({ answers }: Inquiry): Inquiry {
  return new Inquiry(answers)
}
