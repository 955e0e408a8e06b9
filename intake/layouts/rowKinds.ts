import { isBlank, textAt, type Row } from '../grid'
import { Unreadable, type Inquiry } from '../inquiry'
import { statedYear } from '../periods/seasonText'
import type { RowKind } from '../reading'
import { UNCUT } from './cutLines'
import { isFigure, isNumber } from './figures'
import { headingsAbove, type Headings } from './headings'
import type { PeriodColumns } from './observations'
import { addsUpBefore, figureColumns } from './sumRows'
import { isTotalRow } from './totalRows'
import { rowsThatAddUp } from './totals'
import { TOTAL_ALONE } from './words'

/** Rows without a period, and no totals, after which the rest is not held against all above it any more. */
const MOST_UNREAD = 200

/** What each row is: rows without a period are headings, titles, totals, notes, or a question. */
export function kindsOfRows(
  rows: readonly Row[],
  { columns, readings }: PeriodColumns,
  inquiry: Inquiry,
): { readonly headings: Headings; readonly rowKinds: readonly RowKind[] } {
  const first = readings.findIndex((reading) => reading !== null)
  const headings = headingsAbove(
    rows,
    first,
    columns,
    (row) => isUnreadData(row, columns) || (isTotalRow(row) && hasFigure(row)),
    inquiry,
  )
  const header = rows[headings.rows[0] ?? -1]
  const sums = rowsThatAddUp(rows, readings, columns, first)
  const unread: Row[] = []
  const above: Row[] = []
  const rowKinds = rows.map((row, at): RowKind => {
    if (headings.rows.includes(at)) return 'header'
    if (sums.has(at) || (at < first && isTotalRow(row) && hasFigure(row))) return 'total'
    if (at < first && !isUnreadData(row, columns)) return 'title'
    // `Total care` is a product where its row has a period.
    if (readings[at]) {
      if (isTotalRow(row, TOTAL_ALONE)) return 'total'
      above.push(row)
      return 'data'
    }
    if (isTotalRow(row)) return 'total'
    if (/^(#|\/\/)/.test(textAt(row, 0))) return 'note'
    if (header && columns.every((column) => textAt(row, column) === textAt(header, column)))
      return 'header'
    if (isBlank(row) || isNote(row, columns) || isYearAlone(row, columns)) return 'note'
    if (unread.length < MOST_UNREAD && addsUpBefore(row, above, figureColumns(row, columns)))
      return 'total'
    unread.push(row)
    return 'unread'
  })
  noteRows(rows, rowKinds, inquiry)
  if (unread.length > 0)
    askAboutRows(unread, rowKinds.filter((kind) => kind === 'data').length, columns, inquiry)
  return {
    headings,
    rowKinds: rowKinds.map((kind) => (kind === 'unread' ? 'left-out' : kind)) as RowKind[],
  }
}

/** Figures beside something with digits that is no period: a mistyped date, and no heading. */
function isUnreadData(row: Row, periods: readonly number[]): boolean {
  const beside = row.cells.flatMap((cell, column) =>
    cell === '' || periods.includes(column) ? [] : [column],
  )
  const hasDigits = periods.some((column) => /\d/.test(textAt(row, column)))
  return hasDigits && beside.length > 0 && beside.every((column) => isNumber(row, column))
}

/** A year over the rows of its months. */
function isYearAlone(row: Row, [column]: readonly number[]): boolean {
  return (
    statedYear(textAt(row, column!)) !== null &&
    row.cells.every((cell, at) => at === column || cell === '')
  )
}

function hasFigure(row: Row): boolean {
  return row.cells.some((_, column) => isFigure(row, column))
}

/** Text without any figure beside it, or a rule. */
function isNote(row: Row, periods: readonly number[]): boolean {
  const filled = row.cells.filter((cell) => cell !== '')
  return (
    filled.length <= periods.length &&
    filled.every(
      (cell) =>
        typeof cell === 'string' &&
        (/^[-=_*~.]{3,}$/.test(cell) ||
          (/\p{L}{2}/u.test(cell) && !/^\S{0,20}\d\S*$/.test(cell) && !UNCUT.test(cell))),
    )
  )
}

/** @param read rows with a period: that more than those are left out is not proposed first */
function askAboutRows(
  unread: readonly Row[],
  read: number,
  periods: readonly number[],
  inquiry: Inquiry,
): void {
  const [row] = unread
  const text = periods
    .map((column) => textAt(row!, column))
    .join(' ')
    .trim()
  const lines = unread.map(({ line }) => line)
  const which =
    lines.length === 1
      ? `Line ${lines[0]} has`
      : `${lines.length} lines, the first ${lines[0]}, have`
  const leaveOut = {
    value: 'leave-out',
    consequence: `${lines.length === 1 ? 'The line is' : `The ${lines.length} lines are`} left out, ${read} are read, and it is said.`,
  }
  const stop = { value: 'stop', consequence: 'Nothing is read; mend the file first.' }
  const answer = inquiry.ask({
    id: 'unread-rows',
    ask: `${which} figures, but no period that can be read${text ? ` ("${text.slice(0, 60)}")` : ''}. What about ${lines.length === 1 ? 'it' : 'them'}?`,
    options: lines.length > read ? [stop, leaveOut] : [leaveOut, stop],
    lines,
  })
  if (answer === 'stop') {
    throw new Unreadable(
      unread.map((bad) => ({
        line: bad.line,
        column: periods[0]! + 1,
        because: `"${textAt(bad, periods[0]!)}" is no period. Write it like 2021-03, Mar 2021 or 2021 Q1.`,
      })),
    )
  }
  inquiry.note(
    'rows-left-out',
    `${lines.length} ${lines.length === 1 ? 'line was' : 'lines were'} left out: no period could be read.`,
    `line ${lines[0]}`,
  )
}

function noteRows(rows: readonly Row[], kinds: readonly RowKind[], inquiry: Inquiry): void {
  const WORDS: Partial<Record<RowKind, string>> = {
    title: 'above the table: not read',
    total: 'of totals or averages: not read, the figures are in the rows above',
    note: 'of notes: not read',
  }
  for (const [kind, words] of Object.entries(WORDS)) {
    const lines = rows
      .filter((row, at) => kinds[at] === kind && !isBlank(row))
      .map(({ line }) => line)
    if (lines.length === 0) continue
    inquiry.note(
      `${kind}-rows`,
      `${lines.length} ${lines.length === 1 ? 'line' : 'lines'} ${words}.`,
      `line ${lines[0]}`,
    )
  }
}
