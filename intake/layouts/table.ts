import { cellAt, countUp, isBlank, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { LIMITS } from '../limits'
import { readNumber } from '../numbers/numberText'
import type { ColumnRole, RowKind } from '../reading'
import { titleOf, type Extraction, type RawSeries } from './observations'
import type { PeriodColumns } from './periodColumns'
import { ID_HEADING, TOTAL } from './words'

/** A text column names series when fewer than this share of its cells differ. */
const NAMES_REPEAT = 0.5
/** A total column is one when so many of its cells add up the others. */
const ADDS_UP = 0.9

/**
 * Takes a table with periods in rows apart: value columns beside the periods, or, when periods come more
 * than once, key columns whose combinations are the series.
 *
 * @param rows all rows of the sheet
 * @param found where the periods stand
 */
export function extractTable(
  rows: readonly Row[],
  found: PeriodColumns,
  inquiry: Inquiry,
  wanted: ReadonlyMap<number, ColumnRole>,
): Extraction {
  const { rowKinds, header } = kindsOfRows(rows, found, inquiry)
  const data = countUp(rows.length).filter((at) => rowKinds[at] === 'data')
  const headings = countUp(widthOf(rows)).map((column) => (header ? textAt(header, column) : ''))
  const roles = rolesOfColumns(rows, data, found, headings, wanted)
  if (!roles.includes('value')) takeAnyFigures(rows, data, roles, wanted)
  const values = columnsWith(roles, 'value')
  if (values.length === 0) {
    throw new Unreadable([whole('There are periods, but no column of values beside them.')])
  }
  if (values.length > LIMITS.columns)
    throw new Unreadable([whole(`There are more than ${LIMITS.columns} value columns.`)])
  noteColumns(roles, headings, rows, inquiry)
  const keys = columnsWith(roles, 'key')
  return {
    layout: keys.length > 0 ? 'long' : 'columns',
    rowKinds,
    columnRoles: roles,
    series: keys.length > 0 ? byKey() : byColumn(),
  }

  function byColumn(): RawSeries[] {
    return values.map((column) => ({
      ...titleOf(headings[column]!, column),
      observations: data.map((at) => observe(at, column)),
    }))
  }

  function byKey(): RawSeries[] {
    const series = new Map<string, RawSeries>()
    for (const at of data) {
      const names = keys.map((column) => textAt(rows[at]!, column) || '(no name)')
      for (const column of values) {
        const title = titleOf(headings[column]!, column)
        const name = [...names, ...(values.length > 1 ? [title.name] : [])].join(' · ')
        let own = series.get(name)
        if (!own) {
          own = { name, unit: title.unit, observations: [] }
          series.set(name, own)
          requireSeries(series.size)
        }
        own.observations.push(observe(at, column))
      }
    }
    return [...series.values()]
  }

  function observe(at: number, column: number) {
    const row = rows[at]!
    return { period: found.readings[at]!, cell: cellAt(row, column), line: row.line, column }
  }
}

function requireSeries(count: number): void {
  if (count <= LIMITS.series) return
  throw new Unreadable([
    whole(`The file holds more than ${LIMITS.series} series. Bring it in in parts.`),
  ])
}

function columnsWith(roles: readonly ColumnRole[], role: ColumnRole): number[] {
  return countUp(roles.length).filter((column) => roles[column] === role)
}

/** What each row is: rows without a period are headings, titles, totals, notes, or a question. */
function kindsOfRows(rows: readonly Row[], { columns, readings }: PeriodColumns, inquiry: Inquiry) {
  const first = readings.findIndex((reading) => reading !== null)
  const header = headerAbove(rows, first, columns, inquiry)
  const unread: Row[] = []
  const rowKinds = rows.map((row, at): RowKind => {
    if (row === header) return 'header'
    if (at < first && !isUnreadData(row, columns)) return 'title'
    if (isTotalRow(row)) return 'total'
    if (readings[at]) return 'data'
    if (header && columns.every((column) => textAt(row, column) === textAt(header, column)))
      return 'header'
    if (isBlank(row) || isNote(row, columns)) return 'note'
    unread.push(row)
    return 'unread'
  })
  noteRows(rows, rowKinds, inquiry)
  if (unread.length > 0) askAboutRows(unread, columns, inquiry)
  return {
    header,
    rowKinds: rowKinds.map((kind) => (kind === 'unread' ? 'left-out' : kind)) as RowKind[],
  }
}

function headerAbove(
  rows: readonly Row[],
  first: number,
  periods: readonly number[],
  { answers }: Inquiry,
): Row | null {
  const stated = answers.header
  if (stated === 'none') return null
  if (stated !== undefined) {
    const row = rows.find(({ line }) => String(line) === stated)
    if (row) return row
    throw new Unreadable([
      whole(`The sheet has no line ${stated} with headings; say a line, or none.`),
    ])
  }
  for (let at = first - 1; at >= 0; at--) {
    const row = rows[at]!
    if (isUnreadData(row, periods)) continue
    const beside = row.cells.filter((cell, column) => cell !== '' && !periods.includes(column))
    if (beside.length > 0 && (new Set(row.cells).size > 1 || row.cells.length === 1)) return row
  }
  return null
}

/** Figures beside something with digits that is no period: a mistyped date, and no heading. */
function isUnreadData(row: Row, periods: readonly number[]): boolean {
  const beside = row.cells.flatMap((cell, column) =>
    cell === '' || periods.includes(column) ? [] : [column],
  )
  const hasDigits = periods.some((column) => /\d/.test(textAt(row, column)))
  return hasDigits && beside.length > 0 && beside.every((column) => isNumber(row, column))
}

function isTotalRow(row: Row): boolean {
  return row.cells.some((cell) => typeof cell === 'string' && cell.length < 40 && TOTAL.test(cell))
}

/** Text without any figure beside it. */
function isNote(row: Row, periods: readonly number[]): boolean {
  const filled = row.cells.filter((cell) => cell !== '')
  return (
    filled.length <= periods.length &&
    filled.every(
      (cell) => typeof cell === 'string' && /\p{L}{2}/u.test(cell) && !/^\S{0,20}\d\S*$/.test(cell),
    )
  )
}

function askAboutRows(unread: readonly Row[], periods: readonly number[], inquiry: Inquiry): void {
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
  const answer = inquiry.ask({
    id: 'unread-rows',
    ask: `${which} figures, but no period that can be read${text ? ` ("${text.slice(0, 60)}")` : ''}. What about ${lines.length === 1 ? 'it' : 'them'}?`,
    options: [
      {
        value: 'leave-out',
        consequence: `${lines.length === 1 ? 'The line is' : 'The lines are'} left out, and it is said.`,
      },
      { value: 'stop', consequence: 'Nothing is read; mend the file first.' },
    ],
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

function rolesOfColumns(
  rows: readonly Row[],
  data: readonly number[],
  { columns: periods, readings }: PeriodColumns,
  headings: readonly string[],
  wanted: ReadonlyMap<number, ColumnRole>,
): ColumnRole[] {
  const sample =
    data.length <= 2000 ? data : data.filter((_, i) => i % Math.ceil(data.length / 2000) === 0)
  const roles = headings.map((heading, column): ColumnRole => {
    if (periods.includes(column)) return 'period'
    const stated = wanted.get(column)
    if (stated && stated !== 'period') return stated
    const filled = sample.filter((at) => textAt(rows[at]!, column) !== '')
    if (filled.length === 0) return heading === '' ? 'empty' : 'value'
    const numbers = filled.filter((at) => isNumber(rows[at]!, column)).length
    const isId =
      ID_HEADING.test(heading) && filled.every((at) => /^\w+$/.test(textAt(rows[at]!, column)))
    return numbers / filled.length >= NAMES_REPEAT && !isId ? 'value' : 'ignored'
  })
  markTotals(rows, sample, headings, roles, wanted)
  if ([...wanted.values()].includes('key')) return roles
  for (const column of findKeys(rows, data, readings, roles, wanted)) roles[column] = 'key'
  return roles
}

/** A column of words with a few numbers is better than none: its words are asked about. */
function takeAnyFigures(
  rows: readonly Row[],
  data: readonly number[],
  roles: ColumnRole[],
  wanted: ReadonlyMap<number, ColumnRole>,
): void {
  roles.forEach((role, column) => {
    const hasFigure = (at: number) =>
      textAt(rows[at]!, column) !== '' && isNumber(rows[at]!, column)
    if (role === 'ignored' && !wanted.has(column) && data.some(hasFigure)) roles[column] = 'value'
  })
}

function isNumber(row: Row, column: number): boolean {
  const cell = cellAt(row, column)
  return (
    readNumber(cell, 'point').kind !== 'unreadable' ||
    readNumber(cell, 'comma').kind !== 'unreadable'
  )
}

/** A column headed as a total is one when it adds up the other value columns. */
function markTotals(
  rows: readonly Row[],
  sample: readonly number[],
  headings: readonly string[],
  roles: ColumnRole[],
  wanted: ReadonlyMap<number, ColumnRole>,
): void {
  headings.forEach((heading, total) => {
    if (roles[total] !== 'value' || wanted.has(total) || !TOTAL.test(heading)) return
    const others = columnsWith(roles, 'value').filter((column) => column !== total)
    if (others.length < 2) return
    const adds = (mark: 'point' | 'comma') =>
      sample.filter((at) => {
        const number = (column: number) => {
          const reading = readNumber(cellAt(rows[at]!, column), mark)
          return reading.kind === 'number' ? reading.value : 0
        }
        const sum = others.reduce((all, column) => all + number(column), 0)
        return Math.abs(sum - number(total)) <= 0.01 * Math.abs(sum) + 1e-9
      }).length
    if (Math.max(adds('point'), adds('comma')) >= ADDS_UP * sample.length) roles[total] = 'total'
  })
}

/** The text columns that tell apart rows of the same period, fewest names first. */
function findKeys(
  rows: readonly Row[],
  data: readonly number[],
  readings: PeriodColumns['readings'],
  roles: readonly ColumnRole[],
  wanted: ReadonlyMap<number, ColumnRole>,
): number[] {
  const identity = data.map((at) => JSON.stringify(readings[at]))
  let distinct = new Set(identity).size
  if (distinct === data.length) return []
  const texts = columnsWith(roles, 'ignored')
    .filter((column) => !wanted.has(column))
    .map((column) => ({ column, names: new Set(data.map((at) => textAt(rows[at]!, column))).size }))
    .filter(({ names }) => names > 1 && names <= Math.max(2, NAMES_REPEAT * data.length))
    .sort((a, b) => a.names - b.names)
  const keys: number[] = []
  for (const { column } of texts) {
    if (distinct === data.length) break
    const refined = data.map((at, i) => `${identity[i]}\u0000${textAt(rows[at]!, column)}`)
    const more = new Set(refined).size
    if (more === distinct) continue
    distinct = more
    refined.forEach((text, i) => (identity[i] = text))
    keys.push(column)
  }
  return keys.sort((a, b) => a - b)
}

function noteColumns(
  roles: readonly ColumnRole[],
  headings: readonly string[],
  rows: readonly Row[],
  inquiry: Inquiry,
): void {
  const say = (role: ColumnRole, words: string) => {
    const columns = columnsWith(roles, role).filter(
      (column) => role !== 'empty' || rows.some((row) => textAt(row, column) !== ''),
    )
    if (columns.length === 0) return
    const names = columns
      .slice(0, 4)
      .map((column) =>
        headings[column] ? `"${headings[column].slice(0, 60)}"` : `column ${column + 1}`,
      )
    const more = columns.length > 4 ? ` and ${columns.length - 4} more` : ''
    inquiry.note(
      `${role}-columns`,
      `${names.join(', ')}${more}: ${words}.`,
      `column ${columns[0]! + 1}`,
    )
  }
  say('total', 'the sum of the other columns, not read as a series')
  say('ignored', 'text and no figures, not read')
  if (headings.every((heading) => heading === '')) {
    inquiry.note('no-header', 'The file has no headings; name the series here.', 'line 1')
  }
}
