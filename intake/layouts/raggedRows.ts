import { textAt, type Row } from '../grid'
import { Unreadable, type Inquiry } from '../inquiry'
import { isFigure } from './figures'

/** Rows that are looked at for headings. */
const FIRST_ROWS = 30
/** What stands behind a comma that parts thousands, or decimals. */
const THOUSANDS = /^\d{3}(\.\d+)?\)?$/
const DECIMALS = /^\d{1,2}\)?$/

/** A row with more cells than there are headings. */
interface Long {
  readonly row: Row
  readonly length: number
}
/** Ways to put a row together that are tried; more are as good as none. */
const MOST_WAYS = 8

/**
 * Puts rows right that have more cells than there are headings: a comma inside a number or a remark was not quoted, and what
 * follows it stands one column too far. Values never move into another column without a word.
 *
 * @param rows of a sheet
 * @returns the rows, those that were cut too often put together or left out
 * @throws Waiting where two readings are possible
 * @throws Unreadable when the file is to be mended first
 * @example mendRows(rows of 'month,Sales\n2021-01,950\n2021-02,1,050', …) // asks whether "1,050" is one number
 */
export function mendRows(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const header = headingRow(rows)
  if (header < 0) return rows
  // Separators behind the last heading stand for columns without one.
  const width = rows[header]!.cells.length
  const body = rows.slice(header + 1)
  if (body.every(({ cells }) => cells.length <= width)) return rows
  const lengthOf = lengthsOf(body, width)
  const long = body.filter((row) => lengthOf(row) > width)
  if (long.length === 0) return rows
  const normal = body.filter((row) => lengthOf(row) === width || widthOf(row) === width)
  if (normal.length === 0 && isShifted(rows[header]!, long, width)) {
    inquiry.note(
      'headings-shifted',
      'The headings begin over the second column: the first has none.',
      `line ${rows[header]!.line}`,
    )
    return rows.map((row, at) => (at === header ? { ...row, cells: ['', ...row.cells] } : row))
  }
  const suspicious = long
    .filter((row) => isSuspicious(row, width, lengthOf(row), normal))
    .map((row) => ({ row, length: lengthOf(row) }))
  if (suspicious.length === 0) return rows
  const mended = ask(suspicious, width, normal.length === 0, inquiry)
  // Of a row that is left out its period stays, if it stands first: that there is no value then is known.
  return rows.map((row) =>
    mended.has(row) ? (mended.get(row) ?? { ...row, cells: row.cells.slice(0, 1) }) : row,
  )
}

/** The widest of the first rows of words, before the first figures. */
function headingRow(rows: readonly Row[]): number {
  let best = -1
  for (const [at, row] of rows.slice(0, FIRST_ROWS).entries()) {
    const filled = row.cells.filter((cell) => cell !== '')
    if (filled.some((cell) => typeof cell === 'number' || /^[-+(]?[\d.,]+\)?$/.test(cell))) break
    if (filled.length >= 2 && (best < 0 || widthOf(row) >= widthOf(rows[best]!))) best = at
    else if (best >= 0) break
  }
  return best
}

/** Cells up to the last that is filled. */
function widthOf({ cells }: Row): number {
  return cells.findLastIndex((cell) => cell !== '') + 1
}

/** How many cells each row has, without the separators behind it that all rows have. */
function lengthsOf(body: readonly Row[], width: number): (row: Row) => number {
  // A blank that only some rows have behind them can be a cell that came too far.
  const excess = body
    .filter(({ cells }) => cells.length >= width)
    .map((row) => Math.min(row.cells.length - width, row.cells.length - widthOf(row)))
    .reduce((least, blanks) => Math.min(least, blanks), Infinity)
  return (row) => Math.max(widthOf(row), row.cells.length - excess)
}

/** One heading fewer than columns in every row, as where rows are named and their names have no heading. */
function isShifted(header: Row, long: readonly Row[], width: number): boolean {
  const isNamed = /date|month|period|year|quarter|week|day|time|monat|datum|jahr|mois|mes|fecha/i
  return (
    long.length > 1 &&
    long.every((row) => widthOf(row) === width + 1 && !isFigure(row, 0)) &&
    textAt(header, 0) !== '' &&
    !isNamed.test(textAt(header, 0))
  )
}

/** Whether figures lie beyond the headings, or words where other rows have figures. */
function isSuspicious(row: Row, width: number, length: number, normal: readonly Row[]): boolean {
  // A blank last cell can have come too far as well: `1,050,` under two headings.
  const isText = row.cells.every((cell) => typeof cell === 'string')
  if (isText && joinings({ row, length }, width, THOUSANDS).length > 0) return true
  for (let column = width; column < widthOf(row); column++) if (isFigure(row, column)) return true
  return Array.from({ length: width }, (_, column) => column).some(
    (column) =>
      textAt(row, column) !== '' &&
      !isFigure(row, column) &&
      normal.length > 0 &&
      normal.filter((other) => isFigure(other, column)).length > 0.8 * normal.length,
  )
}

/** @returns what becomes of each of the rows; null for one that is left out */
function ask(
  suspicious: readonly Long[],
  width: number,
  isEvery: boolean,
  inquiry: Inquiry,
): Map<Row, Row | null> {
  const [{ row: first, length }] = suspicious as [Long]
  const thousands = suspicious.map((row) => joinings(row, width, THOUSANDS))
  const decimals = suspicious.map((row) => joinings(row, width, DECIMALS))
  const joined = first.cells.slice(0, length).join(',').slice(0, 60)
  const oneWay = (ways: readonly Row[][]) => ways.every(({ length }) => length === 1)
  const says = (row: Row) => row.cells.slice(0, width).join(' | ').slice(0, 60)
  const answer = inquiry.ask({
    id: 'split-cells',
    ask: `${suspicious.length === 1 ? `Line ${first.line} has` : `${suspicious.length} lines, the first ${first.line}, have`} more cells than headings (${joined}). Was a comma inside a number or a remark not quoted?`,
    options: [
      ...(oneWay(thousands)
        ? [
            {
              value: 'thousands',
              consequence: `Commas part thousands: line ${first.line} is ${says(thousands[0]![0]!)}.`,
            },
          ]
        : []),
      ...(oneWay(decimals) && !oneWay(thousands)
        ? [
            {
              value: 'decimals',
              consequence: `Commas are decimal marks: line ${first.line} is ${says(decimals[0]![0]!)}.`,
            },
          ]
        : []),
      ...(isEvery
        ? [{ value: 'column', consequence: 'Nothing is put together: a column has no heading.' }]
        : []),
      { value: 'leave-out', consequence: 'These lines are left out, and it is said.' },
      { value: 'stop', consequence: 'Nothing is read; mend the file first.' },
    ],
    lines: suspicious.map(({ row }) => row.line).slice(0, 1000),
  })
  if (answer === 'stop') {
    throw new Unreadable(
      suspicious.slice(0, 50).map(({ row, length: cells }) => ({
        line: row.line,
        column: width + 1,
        because: `The line has ${cells} cells under ${width} headings. Quote the cell that holds a comma.`,
      })),
    )
  }
  if (answer === 'column') return new Map()
  inquiry.note(
    'split-cells',
    answer === 'leave-out'
      ? `${suspicious.length} lines with more cells than headings were left out.`
      : `In ${suspicious.length} lines numbers were put together that a comma had parted.`,
    `line ${first.line}`,
  )
  const ways = answer === 'thousands' ? thousands : answer === 'decimals' ? decimals : null
  return new Map(suspicious.map(({ row }, i) => [row, ways?.[i]![0] ?? null]))
}

/** Every way to put neighbouring cells together so that as many are left as there are headings. */
function joinings({ row, length }: Long, width: number, tail: RegExp): Row[] {
  const cells = row.cells.slice(0, length).map(String)
  const found: string[][] = []
  const isThousands = tail.test('000')
  function go(at: number, done: readonly string[], toJoin: number): void {
    if (found.length >= MOST_WAYS) return
    if (at === cells.length) {
      if (toJoin === 0) found.push([...done])
      return
    }
    go(at + 1, [...done, cells[at]!], toJoin)
    if (!/^[-+(]?\p{Sc}?\d+$/u.test(cells[at]!)) return
    if (isThousands && !/^[-+(]?\p{Sc}?[1-9]\d{0,2}$/u.test(cells[at]!)) return
    let text = cells[at]!
    for (let next = at + 1; next < cells.length && tail.test(cells[next]!); next++) {
      if (next - at > toJoin) break
      text += isThousands ? cells[next]! : `.${cells[next]!}`
      go(next + 1, [...done, text], toJoin - (next - at))
      if (!isThousands) break
    }
  }
  go(0, [], cells.length - width)
  return found.map((joined) => ({ ...row, cells: joined }))
}
