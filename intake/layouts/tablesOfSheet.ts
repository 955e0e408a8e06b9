import { countUp, textAt, widthOf, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { readPeriod } from '../periods/periodText'
import { isFigure } from './figures'
import type { Part } from './severalTables'
import { sideBlocks } from './sideBlocks'
import { isOfTheFile } from './statedAbove'
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
 * The tables of a sheet that are read: of several, below one another with a line between, or side by side, those that go on from
 * one another and those with names of their own above them together; else the much longer one, the others said; else it is asked.
 *
 * @returns each with the rows of the sheet, what belongs to another table made blank, so that every row and column keeps its place
 * @throws Waiting for an answer
 */
export function tablesOf(rows: readonly Row[], inquiry: Inquiry): readonly Part[] {
  const beside = sideBlocks(rows)
  if (beside && oneAfterAnother(beside, inquiry)) return beside
  const below = belowAnother(rows, inquiry)
  const [only] = below
  return below.length > 1 ? below : [{ ...only!, rows: leftOfBlank(only!.rows, inquiry) }]
}

/** Asks whether tables side by side whose periods go on are one after another, or which of them is read. */
function oneAfterAnother(parts: readonly Part[], inquiry: Inquiry): boolean {
  const starts = parts.map(
    ({ rows }) =>
      1 +
      Math.min(
        ...rows.map(({ cells }) => cells.findIndex((cell) => cell !== '')).filter((at) => at >= 0),
      ),
  )
  const answer = inquiry.ask({
    id: 'beside',
    ask: `${parts.length} tables of the same headings stand beside each other, and their periods go on from one to the next. How are they read?`,
    options: [
      {
        value: ALL,
        consequence: `One after another: what is called alike is one series, from columns ${starts.join(', ')}.`,
      },
      { value: 'apart', consequence: 'As tables of their own: it is asked which one is read.' },
    ],
    otherwise: ALL,
  })
  return answer === ALL
}

function belowAnother(rows: readonly Row[], inquiry: Inquiry): readonly Part[] {
  const blocks = blocksOf(rows)
  if (blocks.length < 2) return [{ rows, name: '' }]
  const [longest, second] = [...blocks].sort((a, b) => b.figures - a.figures) as [Block, Block]
  const heads = ({ from }: Block) =>
    rows[from]!.cells.filter((cell) => cell !== '')
      .join(', ')
      .slice(0, 60)
  const joined = joinYearBlocks(rows, blocks)
  const names = joined ? null : namesAbove(rows, blocks)
  const all = joined
    ? `All ${blocks.length}, one after another: each is of the year above it, and they go on from one another.`
    : names &&
      `All ${blocks.length}: each is called by the line above it, ${names.slice(0, 3).join(', ')}${names.length > 3 ? ' …' : ''}.`
  const answer = inquiry.ask({
    id: 'table',
    ask: 'There are several tables below one another. Which is read?',
    options: [
      ...(all ? [{ value: ALL, consequence: all }] : []),
      ...[...blocks]
        .sort((a, b) => b.figures - a.figures)
        .map((block) => ({
          value: String(rows[block.from]!.line),
          consequence: `That from line ${rows[block.from]!.line}: ${block.rows} rows under "${heads(block)}".`,
        })),
    ],
    ...(all
      ? { otherwise: ALL }
      : longest.figures >= MUCH_LARGER * second.figures
        ? { otherwise: String(rows[longest.from]!.line) }
        : {}),
  })
  const only = (block: Block) =>
    rows.map((row, at) =>
      blocks.some(({ from, to }) => at >= from && at < to) && !(at >= block.from && at < block.to)
        ? { ...row, cells: [] }
        : row,
    )
  if (answer === ALL) {
    return joined
      ? [{ rows: joined, name: '' }]
      : blocks.map((block, i) => ({
          rows: withoutLines(only(block), rows, blocks),
          name: names![i]!,
        }))
  }
  const chosen = blocks.find(({ from }) => String(rows[from]!.line) === answer)!
  const others = blocks.filter((block) => block !== chosen)
  inquiry.note(
    'other-tables',
    `${others.map((block) => `The table from line ${rows[block.from]!.line} ("${heads(block)}")`).join('; ')} was not read.`,
    `line ${rows[others[0]!.from]!.line}`,
  )
  return [{ rows: only(chosen), name: '' }]
}

/** The line with one text on it above each of tables with the same headings; null unless each has one of its own. */
function namesAbove(rows: readonly Row[], blocks: readonly Block[]): string[] | null {
  const heading = ({ from }: Block) => rows[from]!.cells.join('\u0000').toLowerCase()
  if (blocks.some((block) => heading(block) !== heading(blocks[0]!))) return null
  const names = blocks.map(({ from }) => lineAbove(rows, from))
  const isName = (name: string) =>
    name !== '' &&
    name.length <= 80 &&
    !isOfTheFile(name) &&
    !/(?<!\d)(19|20)\d{2}(?!\d)/.test(name)
  const areNames = names.every(isName)
  return areNames && new Set(names).size === names.length ? names : null
}

function lineAbove(rows: readonly Row[], from: number): string {
  const above = rows[from - 1]
  const filled = above?.cells.filter((cell) => cell !== '') ?? []
  return filled.length === 1 && rows[from]!.line === above!.line + 1 ? String(filled[0]) : ''
}

/** The rows of one table without the lines that name the tables. */
function withoutLines(
  own: readonly Row[],
  rows: readonly Row[],
  blocks: readonly Block[],
): readonly Row[] {
  const lines = new Set(blocks.map(({ from }) => from - 1))
  return own.map((row, at) => (lines.has(at) && row === rows[at] ? { ...row, cells: [] } : row))
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
