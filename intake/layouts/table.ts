import { cellAt, countUp, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { LIMITS } from '../limits'
import type { ColumnRole } from '../reading'
import { isFigure, isNumber } from './figures'
import { findKeys } from './keys'
import type { Extraction, PeriodColumns, RawSeries } from './observations'
import { isLikePeriods } from './periodLike'
import { withoutForecasts } from './forecastRows'
import { kindsOfRows } from './rowKinds'
import { oneSpelling } from './spelling'
import { markTotals, withoutTotals } from './totals'
import { findUnitColumns, withUnits } from './unitColumns'
import { ID_HEADING } from './words'

/** A column holds values when at least this share of its filled cells are figures. */
const MOSTLY_FIGURES = 0.5
/** Rows that are looked at to tell what a column holds. */
const SAMPLE = 2000

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
  const data = comesTwice(dated, found.readings)
    ? dated
    : withoutForecasts(rows, dated, roles, texts, inquiry)
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
  noteColumns(roles, texts, rows, inquiry)
  return {
    layout: keys.columns.length > 0 ? 'long' : 'columns',
    rowKinds: rowKinds.map((kind, at) =>
      kind === 'data' && !data.includes(at) ? 'left-out' : kind,
    ),
    columnRoles: roles,
    series: withUnits(
      counts
        ? byKey([-1])
        : keys.columns.length > 0
          ? withoutTotals(oneSpelling(byKey(values), inquiry), inquiry)
          : namedApart(byColumn(), inquiry),
      rows,
      units,
    ),
  }

  function byColumn(): RawSeries[] {
    return values.map((column) => ({
      ...titles[column]!,
      observations: data.map((at) => observe(at, column)),
    }))
  }

  /** @param columns of the values; −1 counts every row as one */
  function byKey(columns: readonly number[]): RawSeries[] {
    const series = new Map<string, RawSeries>()
    for (const at of data) {
      const names = keys.namesAt(at)
      for (const column of columns) {
        const title = column < 0 ? { name: 'Rows', unit: '' } : titles[column]!
        const name = [
          ...names,
          ...(columns.length > 1 || names.length === 0 ? [title.name] : []),
        ].join(' · ')
        let own = series.get(name)
        if (!own) {
          own = { name, unit: title.unit, measure: title.name, observations: [] }
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
    const cell = column < 0 ? 1 : cellAt(row, column)
    return { period: found.readings[at]!, cell, line: row.line, column: Math.max(0, column) }
  }
}

function comesTwice(data: readonly number[], readings: PeriodColumns['readings']): boolean {
  return new Set(data.map((at) => JSON.stringify(readings[at]))).size < data.length
}

function requireSeries(count: number): void {
  if (count <= LIMITS.series) return
  throw new Unreadable([
    whole(
      `The file holds more than ${LIMITS.series} series. Bring it in in parts, or say which column names them (role.N=key).`,
    ),
  ])
}

function columnsWith(roles: readonly ColumnRole[], role: ColumnRole): number[] {
  return countUp(roles.length).filter((column) => roles[column] === role)
}

function rolesOfColumns(
  rows: readonly Row[],
  data: readonly number[],
  { columns: periods, readings }: PeriodColumns,
  headings: readonly string[],
  wanted: ReadonlyMap<number, ColumnRole>,
): ColumnRole[] {
  const sample =
    data.length <= SAMPLE ? data : data.filter((_, i) => i % Math.ceil(data.length / SAMPLE) === 0)
  const roles = headings.map((heading, column): ColumnRole => {
    if (periods.includes(column)) return 'period'
    const stated = wanted.get(column)
    if (stated && stated !== 'period') return stated
    const filled = sample.filter((at) => textAt(rows[at]!, column) !== '')
    if (filled.length === 0) return heading === '' ? 'empty' : 'value'
    const numbers = filled.filter((at) => isNumber(rows[at]!, column)).length
    if (!filled.some((at) => isFigure(rows[at]!, column))) return 'ignored'
    const isId =
      ID_HEADING.test(inWords(heading)) &&
      filled.every((at) => /^\w+$/.test(textAt(rows[at]!, column)))
    return numbers / filled.length >= MOSTLY_FIGURES && !isId ? 'value' : 'ignored'
  })
  markPeriodLike(rows, data, readings, headings, roles, wanted)
  markTotals(rows, sample, headings, roles, wanted)
  for (const column of besideTable(rows, data, roles))
    if (!wanted.has(column)) roles[column] = 'ignored'
  return roles
}

/** Columns of a smaller table beside the first: words that name its rows, and figures that end with them. */
function besideTable(
  rows: readonly Row[],
  data: readonly number[],
  roles: readonly ColumnRole[],
): readonly number[] {
  const filledTo = (column: number) => {
    const count = data.filter((at) => textAt(rows[at]!, column) !== '').length
    return data.slice(0, count).every((at) => textAt(rows[at]!, column) !== '') ? count : null
  }
  const first = roles.indexOf('value')
  for (const names of countUp(roles.length).slice(first + 1)) {
    const count = roles[names] === 'ignored' ? filledTo(names) : null
    if (first < 0 || count === null || count < 2 || count > 0.8 * data.length) continue
    const texts = data.slice(0, count).map((at) => textAt(rows[at]!, names))
    const behind = countUp(roles.length).slice(names + 1)
    const ends = behind.filter((column) => roles[column] === 'value' && filledTo(column) === count)
    if (new Set(texts).size === count && ends.length > 0) return behind
  }
  return []
}

/** `store_id` and `storeId` as words. */
function inWords(heading: string): string {
  return heading.replaceAll('_', ' ').replace(/(?<=\p{Ll})(?=\p{Lu})/gu, ' ')
}

/** Columns that say the periods again, or number the rows, are no values as long as others are left. */
function markPeriodLike(
  rows: readonly Row[],
  data: readonly number[],
  readings: PeriodColumns['readings'],
  headings: readonly string[],
  roles: ColumnRole[],
  wanted: ReadonlyMap<number, ColumnRole>,
): void {
  const like = columnsWith(roles, 'value').filter(
    (column) =>
      !wanted.has(column) && isLikePeriods(rows, data, readings, column, headings[column]!),
  )
  const isEmpty = (column: number) => data.every((at) => textAt(rows[at]!, column) === '')
  if (columnsWith(roles, 'value').every((column) => like.includes(column) || isEmpty(column)))
    return
  for (const column of like) roles[column] = 'repeated'
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
      textAt(rows[at]!, column) !== '' &&
      isNumber(rows[at]!, column) &&
      /\d/.test(textAt(rows[at]!, column))
    if (role === 'ignored' && !wanted.has(column) && data.some(hasFigure)) roles[column] = 'value'
  })
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
  say('repeated', 'the periods again or running numbers, not read')
  say('ignored', 'text, dates or codes, not read')
  if (headings.every((heading) => heading === '')) {
    inquiry.note('no-header', 'The file has no headings; name the series here.', 'line 1')
  }
}
