import { countUp, textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { PeriodReading } from '../periods/periodReading'
import type { ColumnRole } from '../reading'
import { LIMITS } from '../limits'

/** A text column names series when fewer than this share of its cells differ. */
const NAMES_REPEAT = 0.5
/** Blanks in a column of names from which a name may stand on its first row only. */
const MANY_BLANKS = 0.3

/** The columns whose texts name the series of a long table, and what they say in each row. */
export interface Keys {
  readonly columns: readonly number[]
  /** @param at entry of a row with a period */
  namesAt(at: number): readonly string[]
}

/**
 * Finds the text columns that tell apart rows of the same period, fewest names first. A name that stands on the first of its
 * rows only is carried down. Where rows of a period cannot all be told apart, as with receipts, it is asked which column
 * names the series.
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
  const identity = data.map((at) => JSON.stringify(readings[at]))
  const texts = new Map([...stated, ...candidates].map((column) => [column, textsOf(rows, column)]))
  if (stated.length > 0)
    return keysOf(
      stated.sort((a, b) => a - b),
      texts,
    )
  if (new Set(identity).size === data.length) return keysOf([], texts)
  for (const column of candidates) carryDown(texts.get(column)!, data, identity)
  const named = candidates
    .map((column) => ({ column, names: new Set(data.map((at) => texts.get(column)![at])).size }))
    .filter(
      ({ column, names }) =>
        names > 1 && data.filter((at) => texts.get(column)![at] !== '').length > data.length / 2,
    )
    .sort((a, b) => a.names - b.names)
  const telling = named.filter(({ names }) => names <= Math.max(2, NAMES_REPEAT * data.length))
  const keys: number[] = []
  const told = [...identity]
  let distinct = new Set(told).size
  for (const { column } of telling) {
    if (distinct === data.length) break
    const refined = data.map((at, i) => `${told[i]}\u0000${texts.get(column)![at]}`)
    const more = new Set(refined).size
    if (more === distinct) continue
    distinct = more
    refined.forEach((text, i) => (told[i] = text))
    keys.push(column)
  }
  // Receipts have columns that name nothing that comes again, or that do not tell their rows apart.
  const areReceipts =
    isLikeReceipts(data.length, readings, data) &&
    (distinct < data.length ? named.length > 0 : named.length > keys.length)
  if (!areReceipts)
    return keysOf(
      keys.sort((a, b) => a - b),
      texts,
    )
  return keysOf(askForKey(named, headings, data.length, inquiry), texts)

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
  })
  return answer === 'none' ? [] : [Number(answer) - 1]
}
