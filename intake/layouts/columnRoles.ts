import { countUp, textAt, type Row } from '../grid'
import { statedYear } from '../periods/seasonText'
import type { ColumnRole } from '../reading'
import { isFigure, isNumber } from './figures'
import { areCodes } from './codeColumns'
import type { PeriodColumns } from './observations'
import { isLikePeriods } from './periodLike'
import { markTotals } from './totals'
import { ID_HEADING, ORDER_HEADING } from './words'

/** A column holds values when at least this share of its filled cells are figures. */
const MOSTLY_FIGURES = 0.5
/** Rows that are looked at to tell what a column holds. */
const SAMPLE = 2000

/** The columns with a role. */
export function columnsWith(roles: readonly ColumnRole[], role: ColumnRole): number[] {
  return countUp(roles.length).filter((column) => roles[column] === role)
}

/**
 * Tells what every column of a table holds, by its cells and its heading; what the analyst says comes first.
 *
 * @param data entries of the rows with a period
 * @param headings texts over the columns
 */
export function rolesOfColumns(
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
    const texts = filled.map((at) => textAt(rows[at]!, column))
    const isId =
      (ID_HEADING.test(inWords(heading)) && texts.every((text) => /^\w+$/.test(text))) ||
      (ORDER_HEADING.test(heading) && new Set(texts).size === texts.length) ||
      areCodes(texts, heading)
    return numbers / filled.length >= MOSTLY_FIGURES && !isId ? 'value' : 'ignored'
  })
  markPeriodLike(rows, data, readings, headings, roles, wanted)
  markTotals(rows, sample, headings, roles, wanted)
  for (const column of besideTable(rows, data, roles))
    if (!wanted.has(column)) roles[column] = 'ignored'
  return roles
}

/** Columns of a smaller table beside the first: words or years that name its rows, and figures that end with them. */
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
    const count = filledTo(names)
    if (first < 0 || count === null || count < 2 || count > 0.8 * data.length) continue
    const texts = data.slice(0, count).map((at) => textAt(rows[at]!, names))
    if (roles[names] !== 'ignored' && !texts.every((text) => statedYear(text) !== null)) continue
    const behind = countUp(roles.length).slice(names + 1)
    const ends = behind.filter((column) => roles[column] === 'value' && filledTo(column) === count)
    if (new Set(texts).size === count && ends.length > 0) return [names, ...behind]
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
export function takeAnyFigures(
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
