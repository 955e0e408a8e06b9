import { countUp, textAt, widthOf, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { readPeriod } from '../periods/periodText'
import { isFigure } from './figures'
import { joinYearBlocks } from './yearBlocks'

/** A table with so many times the figures of any other is taken, and the others are said. */
const MUCH_LARGER = 3

/** The answer that takes tables that go on from one another as one. */
const ALL = 'all'

/** Rows that are looked at for periods beside each other. */
const FIRST_ROWS = 400

/** Rows of one table on a sheet that holds several, as entries from the first to before the last. */
interface Block {
  readonly from: number
  readonly to: number
  readonly figures: number
  /** Rows with figures. */
  readonly rows: number
}

/**
 * Keeps one table of a sheet that holds several: below one another with a line between, or side by side with a blank column
 * between. The much longer one is taken and the other said; else it is asked.
 *
 * @returns the rows, what belongs to another table made blank, so that every row and column keeps its place
 * @throws Waiting for an answer
 */
export function oneTable(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  return leftOfBlank(oneBelowAnother(rows, inquiry), inquiry)
}

function oneBelowAnother(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const blocks = blocksOf(rows)
  if (blocks.length < 2) return rows
  const [longest, second] = [...blocks].sort((a, b) => b.figures - a.figures) as [Block, Block]
  const heads = ({ from }: Block) =>
    rows[from]!.cells.filter((cell) => cell !== '')
      .join(', ')
      .slice(0, 60)
  const joined = joinYearBlocks(rows, blocks)
  const answer = inquiry.ask({
    id: 'table',
    ask: 'There are several tables below one another. Which is read?',
    options: [
      ...(joined
        ? [
            {
              value: ALL,
              consequence: `All ${blocks.length}, one after another: each is of the year above it, and they go on from one another.`,
            },
          ]
        : []),
      ...[...blocks]
        .sort((a, b) => b.figures - a.figures)
        .map((block) => ({
          value: String(rows[block.from]!.line),
          consequence: `That from line ${rows[block.from]!.line}: ${block.rows} rows under "${heads(block)}".`,
        })),
    ],
    ...(joined
      ? { otherwise: ALL }
      : longest.figures >= MUCH_LARGER * second.figures
        ? { otherwise: String(rows[longest.from]!.line) }
        : {}),
  })
  if (joined && answer === ALL) return joined
  const chosen = blocks.find(({ from }) => String(rows[from]!.line) === answer)!
  const others = blocks.filter((block) => block !== chosen)
  inquiry.note(
    'other-tables',
    `${others.map((block) => `The table from line ${rows[block.from]!.line} ("${heads(block)}")`).join('; ')} was not read.`,
    `line ${rows[others[0]!.from]!.line}`,
  )
  const isOther = (at: number) => others.some(({ from, to }) => at >= from && at < to)
  return rows.map((row, at) => (isOther(at) ? { ...row, cells: [] } : row))
}

/** Tables that begin with headings of their own after a line without anything. */
function blocksOf(rows: readonly Row[]): Block[] {
  const starts = countUp(rows.length).filter(
    (at) => (isAfterGap(rows, at) || isUnderTitle(rows, at)) && isHeading(rows, at),
  )
  if (starts.length === 0) return []
  const [second] = starts as [number]
  // The first table may have headings that are numbers, such as 202101.
  const first =
    countUp(second).find((at) => isHeading(rows, at)) ??
    countUp(second).find((at) => hasFigure(rows[at]!)) ??
    second
  const edges = [...new Set([first, ...starts])].sort((a, b) => a - b)
  const blocks = edges.map((from, i) => {
    const to = edges[i + 1] ?? rows.length
    const own = rows.slice(from, to)
    return {
      from,
      to,
      figures: own.reduce((all, row) => all + figuresIn(row), 0),
      rows: own.filter(hasFigure).length,
    }
  })
  // The same headings again are those of a new page, unless the rows begin anew under them.
  const text = (at: number) => rows[at]!.cells.join('\u0000')
  const begin = (at: number) => textAt(rows[at + 1] ?? rows[at]!, 0)
  const [top] = edges as [number]
  return blocks.filter(
    (block, i) =>
      block.figures > 0 &&
      (i === 0 || text(block.from) !== text(top) || begin(block.from) === begin(top)),
  )
}

function isAfterGap(rows: readonly Row[], at: number): boolean {
  return at > 0 && rows[at]!.line > rows[at - 1]!.line + 1
}

/** A line with one word on it between the gap and the headings. */
function isUnderTitle(rows: readonly Row[], at: number): boolean {
  const above = rows[at - 1]
  return isAfterGap(rows, at - 1) && above?.cells.filter((cell) => cell !== '').length === 1
}

/** Two words or more and no figures, over a row with figures. */
function isHeading(rows: readonly Row[], at: number): boolean {
  const filled = rows[at]!.cells.filter((cell) => cell !== '')
  const below = rows[at + 1]
  return filled.length >= 2 && !hasFigure(rows[at]!) && below !== undefined && hasFigure(below)
}

function figuresIn(row: Row): number {
  return row.cells.filter((_, column) => isFigure(row, column)).length
}

function hasFigure(row: Row): boolean {
  return row.cells.some((_, column) => isFigure(row, column))
}

/** Whether a column beside the gap has periods that the rows before the gap do not have. */
function haveOtherPeriods(rows: readonly Row[], gap: number, column: number): boolean {
  const periodOf = (row: Row, at: number) => {
    const reading = readPeriod(textAt(row, at), 'day-first')
    return reading && JSON.stringify(reading)
  }
  const first = rows.slice(0, FIRST_ROWS)
  const own = first.filter((row) => periodOf(row, column) !== null)
  return (
    own.length >= 2 &&
    countUp(gap).some((left) => first.filter((row) => periodOf(row, left) !== null).length >= 2) &&
    own.some((row) => !countUp(gap).some((left) => periodOf(row, left) === periodOf(row, column)))
  )
}

function askForSide(
  rows: readonly Row[],
  gap: number,
  names: number,
  inquiry: Inquiry,
): readonly Row[] {
  const answer = inquiry.ask({
    id: 'side',
    ask: 'Two tables with periods of their own stand beside each other. Which is read?',
    options: [
      { value: '1', consequence: `That of the columns up to ${gap}.` },
      { value: String(names + 1), consequence: `That from column ${names + 1} on.` },
    ],
  })
  const isLeft = answer === '1'
  inquiry.note(
    'other-tables',
    `The table ${isLeft ? `from column ${names + 1} on` : `of the columns up to ${gap}`} was not read.`,
    `column ${isLeft ? names + 1 : 1}`,
  )
  return rows.map((row) => ({
    ...row,
    cells: isLeft ? row.cells.slice(0, gap) : row.cells.map((cell, at) => (at <= gap ? '' : cell)),
  }))
}

/** A table beside another, behind a blank column, that names its own rows. */
function leftOfBlank(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const width = widthOf(rows)
  const isBlank = (column: number) => rows.every((row) => textAt(row, column) === '')
  for (let gap = 1; gap < width - 2; gap++) {
    if (!isBlank(gap) || isBlank(gap - 1)) continue
    const beside = countUp(width).filter((column) => column > gap)
    const body = rows.filter((row) => beside.some((column) => isFigure(row, column)))
    const [names] = beside.filter((column) => body.some((row) => textAt(row, column) !== ''))
    const left = rows.filter((row) => countUp(gap).some((column) => isFigure(row, column)))
    if (names === undefined || body.length < 2 || left.length < 2) continue
    if (haveOtherPeriods(rows, gap, names)) return askForSide(rows, gap, names, inquiry)
    // Words in its first column name its rows: they are not those of the periods.
    const isNamed = body.every(
      (row) => /\p{L}{2}/u.test(textAt(row, names)) && !isFigure(row, names),
    )
    if (!isNamed || new Set(body.map((row) => textAt(row, names))).size < body.length) continue
    inquiry.note(
      'other-tables',
      `The table from column ${names + 1} on, beside the first, was not read.`,
      `column ${names + 1}`,
    )
    return rows.map((row) => ({ ...row, cells: row.cells.slice(0, gap) }))
  }
  return rows
}
