import { countUp, textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { titleOf } from './observations'
import type { PeriodReading } from '../periods/periodReading'
import type { ColumnRole } from '../reading'
import { LIMITS } from '../limits'
import { AMOUNT_HEADING } from './words'

/** A text column names series when fewer than this share of its cells differ. */
const NAMES_REPEAT = 0.5
/** Names of which each has a row in this share of all periods tell series apart, and not who sold or who bought. */
const COVERS = 0.9
const PARTS_OF_A_YEAR = [2, 3, 4, 12, 13, 52, 53]
/** Blanks in a column of names from which a name may stand on its first row only. */
const MANY_BLANKS = 0.3

/** The columns whose texts name the series of a long table, and what they say in each row. */
export interface Keys {
  readonly columns: readonly number[]
  /** @param at entry of a row with a period */
  namesAt(at: number): readonly string[]
}

/**
 * Finds the columns that tell apart rows of the same period: first those whose names each have a row in every period, then
 * those of fewest names; whole numbers do where no text does. A name that stands on the first of its rows only is carried down.
 * Where rows of a period cannot all be told apart, as with receipts, it is asked which column names the series.
 *
 * @param data entries of the rows with a period
 */
export function findKeys(
  rows: readonly Row[],
  data: readonly number[],
  readings: readonly (PeriodReading | null)[],
  roles: readonly ColumnRole[],
  headings: readonly string[],
  wanted: ReadonlyMap<number, ColumnRole>,
  inquiry: Inquiry,
): Keys {
  const stated = [...wanted].flatMap(([column, role]) => (role === 'key' ? [column] : []))
  const candidates = countUp(roles.length).filter(
    (column) => roles[column] === 'ignored' && !wanted.has(column),
  )
  const figures = countUp(roles.length).filter(
    (column) => roles[column] === 'value' && !wanted.has(column),
  )
  const identity = data.map((at) => JSON.stringify(readings[at]))
  const texts = new Map(
    [...stated, ...candidates, ...figures].map((column) => [column, textsOf(rows, column)]),
  )
  if (stated.length > 0)
    return keysOf(
      stated.sort((a, b) => a - b),
      texts,
    )
  if (new Set(identity).size === data.length) return keysOf([], texts)
  for (const column of candidates) carryDown(texts.get(column)!, data, identity)
  const periods = new Set(identity).size
  const named = candidates
    .map((column) => {
      const names = new Set(data.map((at) => texts.get(column)![at])).size
      const pairs = new Set(data.map((at, i) => `${identity[i]}\u0000${texts.get(column)![at]}`))
        .size
      return { column, names, covers: pairs >= COVERS * names * periods }
    })
    .filter(
      ({ column, names }) =>
        names > 1 && data.filter((at) => texts.get(column)![at] !== '').length > data.length / 2,
    )
    .sort((a, b) => Number(b.covers) - Number(a.covers) || a.names - b.names)
  const telling = named.filter(({ names }) => names <= Math.max(2, NAMES_REPEAT * data.length))
  const keys: number[] = []
  let told = [...identity]
  let distinct = periods
  for (const { column } of telling) {
    if (distinct === data.length) break
    const refined = data.map((at, i) => `${told[i]}\u0000${texts.get(column)![at]}`)
    const more = new Set(refined).size
    if (more === distinct) continue
    distinct = more
    told = refined
    keys.push(column)
  }
  const number =
    distinct < data.length && figures.length > 1
      ? numberThatTells(
          figures.filter((column) => !isAmount(headings[column]!)),
          texts,
          data,
          identity,
          told,
        )
      : null
  if (number !== null)
    return keysOf(
      [...keys, number].sort((a, b) => a - b),
      texts,
    )
  // Where every name has a row in every period the table is one of series, whoever else its rows name.
  const isTable =
    distinct === data.length &&
    keys.every((key) => named.some(({ column, covers }) => column === key && covers))
  const [key] = keys
  // Receipts have columns that name nothing that comes again, or that do not tell their rows apart.
  const areReceipts =
    isLikeReceipts(data.length, readings, data) &&
    (distinct < data.length ? named.length > 0 : named.length > keys.length)
  if (!areReceipts || (isTable && keys.length > 1))
    return keysOf(
      keys.sort((a, b) => a - b),
      texts,
    )
  return keysOf(askForKey(named, headings, data.length, isTable ? key : undefined, inquiry), texts)

  function keysOf(columns: readonly number[], own: ReadonlyMap<number, string[]>): Keys {
    return {
      columns,
      namesAt: (at) => columns.map((column) => own.get(column)![at] || '(no name)'),
    }
  }
}

function textsOf(rows: readonly Row[], column: number): string[] {
  return rows.map((row) => textAt(row, column))
}

/** Whether a heading speaks of amounts: prices of a few kinds come again every month, too. */
function isAmount(heading: string): boolean {
  return titleOf(heading, 0).unit !== '' || AMOUNT_HEADING.test(heading)
}

/**
 * The column of whole numbers that tells apart all rows that names leave alike, each of few numbers in nearly every period: a
 * code of articles or shops under whatever heading, as long as figures are left beside it.
 *
 * @param told what is known of each row by its period and names
 */
function numberThatTells(
  figures: readonly number[],
  texts: ReadonlyMap<number, readonly string[]>,
  data: readonly number[],
  identity: readonly string[],
  told: readonly string[],
): number | null {
  const periods = new Set(identity).size
  const found = figures.find((column) => {
    const numbers = data.map((at) => texts.get(column)![at]!)
    if (!numbers.every((text) => /^\d+$/.test(text))) return false
    const names = new Set(numbers).size
    // 1 to 4, 12 or 52 are parts of a year.
    if (Math.max(...new Set(numbers.map(Number))) === names && PARTS_OF_A_YEAR.includes(names))
      return false
    const pairs = new Set(numbers.map((text, i) => `${identity[i]}\u0000${text}`)).size
    return (
      names <= NAMES_REPEAT * data.length &&
      pairs >= COVERS * names * periods &&
      new Set(numbers.map((text, i) => `${told[i]}\u0000${text}`)).size === data.length
    )
  })
  return found ?? null
}

/** A name that stands on the first of its rows only, as in a printed table. */
function carryDown(texts: string[], data: readonly number[], identity: readonly string[]): void {
  const blanks = data.filter((at) => texts[at] === '').length
  if (blanks < MANY_BLANKS * data.length || blanks === data.length || texts[data[0]!] === '') return
  let name = ''
  const carried = data.map((at) => (name = texts[at] || name))
  // It is one only when each name then has every period once at the most.
  const told = new Set(data.map((_, i) => `${identity[i]}\u0000${carried[i]}`))
  if (told.size < data.length) return
  data.forEach((at, i) => (texts[at] = carried[i]!))
}

/** Days, or many rows of a period: things that happened, rather than a table of series. */
function isLikeReceipts(
  count: number,
  readings: readonly (PeriodReading | null)[],
  data: readonly number[],
): boolean {
  return count >= 8 && data.every((at) => readings[at]!.kind === 'day')
}

function askForKey(
  named: readonly { readonly column: number; readonly names: number }[],
  headings: readonly string[],
  count: number,
  proposed: number | undefined,
  inquiry: Inquiry,
): number[] {
  const label = (column: number) => headings[column] || `column ${column + 1}`
  const answer = inquiry.ask({
    id: 'series-by',
    ask: `Each of the ${count.toLocaleString('en')} rows is something that happened on a day. Which column names the series?`,
    options: [
      { value: 'none', consequence: 'None: all rows together are one series.' },
      ...named
        .filter(({ names }) => names <= Math.min(LIMITS.series, NAMES_REPEAT * count))
        .slice(0, 20)
        .map(({ column, names }) => ({
          value: String(column + 1),
          consequence: `"${label(column).slice(0, 60)}": ${names.toLocaleString('en')} series.`,
        })),
    ],
    ...(proposed === undefined ? {} : { otherwise: String(proposed + 1) }),
  })
  return answer === 'none' ? [] : [Number(answer) - 1]
}
