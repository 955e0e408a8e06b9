import { cellAt, countUp, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { LIMITS } from '../limits'
import type { ColumnRole, RowKind } from '../reading'
import { columnsWith, rolesOfColumns, takeAnyFigures } from './columnRoles'
import { isFigure, isNumber } from './figures'
import { findKeys } from './keys'
import type { Extraction, PeriodColumns, RawSeries } from './observations'
import { withoutForecasts } from './forecastRows'
import { kindsOfRows } from './rowKinds'
import { oneSpelling } from './spelling'
import { withoutTotals } from './totals'
import { findUnitColumns, withUnits } from './unitColumns'
import { SO_FAR } from './words'

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
  const { rowKinds, headings } = kindsOfRows(rows, found, inquiry)
  const dated = countUp(rows.length).filter((at) => rowKinds[at] === 'data')
  const titles = countUp(widthOf(rows)).map((column) => headings.titleOf(column))
  const texts = countUp(titles.length).map((column) =>
    headings.rows.length > 1 && headings.textOf(column) === '' && titles[column]!.name
      ? ''
      : headings.textOf(column),
  )
  const roles = rolesOfColumns(rows, dated, found, texts, wanted)
  inquiry.shape = { layout: 'columns', rowKinds, columnRoles: roles }
  // Rows of a plan beside those of what came are series of their own, where periods come twice.
  const {
    data,
    apart,
    word: coming,
  } = comesTwice(dated, found.readings)
    ? { data: dated, apart: [], word: '' }
    : withoutForecasts(rows, dated, found.columns[0]!, roles, texts, inquiry)
  const keys = findKeys(rows, data, found.readings, roles, texts, wanted, inquiry)
  for (const column of keys.columns) roles[column] = 'key'
  if (!roles.includes('value')) takeAnyFigures(rows, data, roles, wanted)
  const values = columnsWith(roles, 'value')
  const counts = values.length === 0 && countsRows(data, found.readings, inquiry)
  if (values.length > LIMITS.columns)
    throw new Unreadable([whole(`There are more than ${LIMITS.columns} value columns.`)])
  const units = findUnitColumns(rows, data, roles, texts)
  // A heading can stand over the sign before the values.
  for (const [column, unit] of units) {
    roles[unit] = 'unit'
    if (texts[column] === '' && texts[unit] !== '') titles[column] = titles[unit]!
  }
  noteColumns(roles, texts, rows, data, inquiry)
  return {
    layout: keys.columns.length > 0 ? 'long' : 'columns',
    rowKinds: data === dated ? rowKinds : withoutRows(rowKinds, [...data, ...apart]),
    columnRoles: roles,
    series: withUnits(
      counts
        ? byKey([-1], data)
        : keys.columns.length > 0
          ? withoutTotals(
              oneSpelling(
                withApart((own) => byKey(values, own)),
                inquiry,
              ),
              inquiry,
            )
          : namedApart(withApart(byColumn), inquiry),
      rows,
      units,
    ),
  }

  /** The series of what came, and those of what is to come, where these are wanted. */
  function withApart(seriesOf: (rows: readonly number[]) => RawSeries[]): RawSeries[] {
    if (apart.length === 0) return seriesOf(data)
    const ahead = seriesOf(apart).map((own) => ({ ...own, name: `${own.name}, ${coming}` }))
    return [...seriesOf(data), ...ahead]
  }

  function byColumn(entries: readonly number[]): RawSeries[] {
    return values.map((column) => ({
      ...titles[column]!,
      observations: entries.map((at) => observe(at, column)),
    }))
  }

  /** @param columns of the values; −1 counts every row as one */
  function byKey(columns: readonly number[], entries: readonly number[]): RawSeries[] {
    const series = new Map<string, RawSeries>()
    for (const at of entries) {
      const names = keys.namesAt(at)
      for (const column of columns) {
        const title = column < 0 ? { name: 'Rows', unit: '' } : titles[column]!
        const name = [
          ...names,
          ...(columns.length > 1 || names.length === 0 ? [title.name] : []),
        ].join(' · ')
        let found = series.get(name)
        if (!found) {
          found = { name, unit: title.unit, measure: title.name, observations: [] }
          series.set(name, found)
          requireSeries(series.size)
        }
        found.observations.push(observe(at, column))
      }
    }
    return [...series.values()]
  }

  function observe(at: number, column: number) {
    const row = rows[at]!
    const cell = column < 0 ? 1 : cellAt(row, column)
    return { period: found.readings[at]!, cell, line: row.line, column: Math.max(0, column) }
  }
}

/** The kinds of rows, those with a period that are not read any more left out. */
function withoutRows(kinds: readonly RowKind[], data: readonly number[]): RowKind[] {
  const read = new Set(data)
  return kinds.map((kind, at) => (kind === 'data' && !read.has(at) ? 'left-out' : kind))
}

function comesTwice(data: readonly number[], readings: PeriodColumns['readings']): boolean {
  const seen = new Set<string>()
  return data.some((at) => seen.size === seen.add(JSON.stringify(readings[at])).size)
}

function requireSeries(count: number): void {
  if (count <= LIMITS.series) return
  throw new Unreadable([
    whole(
      `The file holds more than ${LIMITS.series} series. Bring it in in parts, or say which column names them (role.N=key).`,
    ),
  ])
}

/** Rows without any figure may be events that are to be counted. */
function countsRows(
  data: readonly number[],
  readings: PeriodColumns['readings'],
  inquiry: Inquiry,
): boolean {
  const areEvents = comesTwice(data, readings) || data.some((at) => readings[at]!.kind === 'day')
  if (data.length < 2 || !areEvents) throw new Unreadable([whole(NO_VALUES)])
  const answer = inquiry.ask({
    id: 'values',
    ask: 'There are periods, but no column of values beside them. What shall be counted?',
    options: [
      { value: 'rows', consequence: 'The rows: how many there are in each period.' },
      { value: 'stop', consequence: 'Nothing is read; the file lacks its values.' },
    ],
  })
  if (answer === 'stop') throw new Unreadable([whole(NO_VALUES)])
  return true
}
const NO_VALUES = 'There are periods, but no column of values beside them.'

/** The same heading twice: each series is told apart, and it is said. */
function namedApart(series: readonly RawSeries[], inquiry: Inquiry): RawSeries[] {
  const count = new Map<string, number>()
  for (const { name } of series) count.set(name, (count.get(name) ?? 0) + 1)
  const twice = [...count].filter(([, times]) => times > 1).map(([name]) => name)
  if (twice.length === 0) return [...series]
  inquiry.note(
    'same-name',
    `${twice.map((name) => `"${name.slice(0, 60)}"`).join(', ')} stands over several columns: the column is said with the name.`,
  )
  return series.map((own) =>
    twice.includes(own.name)
      ? { ...own, name: `${own.name}, column ${(own.observations[0]?.column ?? 0) + 1}` }
      : own,
  )
}

function noteColumns(
  roles: readonly ColumnRole[],
  headings: readonly string[],
  rows: readonly Row[],
  data: readonly number[],
  inquiry: Inquiry,
): void {
  const say = (role: ColumnRole, words: string, isSo: (column: number) => boolean = () => true) => {
    const columns = columnsWith(roles, role).filter(
      (column) =>
        isSo(column) && (role !== 'empty' || rows.some((row) => textAt(row, column) !== '')),
    )
    if (columns.length === 0) return
    const names = columns
      .slice(0, 4)
      .map((column) =>
        headings[column] ? `"${headings[column].slice(0, 60)}"` : `column ${column + 1}`,
      )
      .map((name, i) => (role === 'ignored' ? `${name}${wordAmongFigures(columns[i]!)}` : name))
    const more = columns.length > 4 ? ` and ${columns.length - 4} more` : ''
    inquiry.note(
      `${role}-columns`,
      `${names.join(', ')}${more}: ${words}.`,
      `column ${columns[0]! + 1}`,
    )
  }
  /** Where a column of words holds figures too, the first cell that is none. */
  function wordAmongFigures(column: number): string {
    const body = data.filter((at) => textAt(rows[at]!, column) !== '')
    const word = body.find((at) => !isNumber(rows[at]!, column))
    if (word === undefined || !body.some((at) => isFigure(rows[at]!, column))) return ''
    return ` (as "${textAt(rows[word]!, column).slice(0, 40)}" on line ${rows[word]!.line})`
  }
  const isSoFar = (column: number) => SO_FAR.test(headings[column]!)
  say('total', 'the sum of the other columns, not read as a series', (at) => !isSoFar(at))
  say('total', 'the year so far, not read as a series', isSoFar)
  say('repeated', 'the periods again or running numbers, not read')
  say('ignored', 'text, dates or codes, not read')
  if (headings.every((heading) => heading === '')) {
    inquiry.note('no-header', 'The file has no headings; name the series here.', 'line 1')
  }
}
