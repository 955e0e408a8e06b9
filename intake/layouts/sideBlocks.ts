import { monthsOf } from '../assemble/commonCalendar'
import { countUp, textAt, type Row } from '../grid'
import { readPeriod } from '../periods/periodText'
import { readSeason, statedYear } from '../periods/seasonText'
import type { Part } from './severalTables'

/** Rows among which headings are looked for. */
const FIRST_ROWS = 50
/** A column names periods when this share of its cells below the heading do. */
const MOSTLY = 0.8
const YEAR = /(?<!\d)((?:19|20)\d{2})(?!\d)/

/** Tables beside each other under the same headings, from a column to before the next. */
interface Blocks {
  /** Entry of the row of headings. */
  readonly at: number
  readonly starts: readonly number[]
  readonly width: number
}

/**
 * Tables beside each other of one shape, whose periods go on from one to the next: `Month, Litres` of 2021, and again of 2022 to
 * the right of it. Months without a year have that of their headings, or of the line above them.
 *
 * @returns each with the others made blank; null where there are none, or they do not go on from one another
 */
export function sideBlocks(rows: readonly Row[]): readonly Part[] | null {
  const blocks = rows
    .slice(0, FIRST_ROWS)
    .map((row, at) => blocksUnder(row, at))
    .find(
      (found) => found !== null && found.starts.every((start) => namesPeriods(rows, found, start)),
    )
  if (!blocks) return null
  const { at, starts } = blocks
  const years = starts.map((start) => yearOver(rows, blocks, start))
  const spans = starts.map((start, i) => spanOf(rows, blocks, start, years[i] ?? null))
  const goOn = spans.every(
    (span, i) => span !== null && (i === 0 || (spans[i - 1] && span.first > spans[i - 1]!.last)),
  )
  if (!goOn) return null
  return starts.map((start, i) => {
    const isOwn = (column: number) => column >= start && column < start + blocks.width
    return {
      name: '',
      rows: rows.map((row, entry) => ({
        ...row,
        cells: row.cells.map((cell, column) => {
          if (!isOwn(column) || entry < at) return ''
          if (entry === at) return String(cell).replace(YEAR, '').trim()
          const text = textAt(row, column)
          return column === start && years[i] && isSeason(text) ? `${text} ${years[i]}` : cell
        }),
      })),
    }
  })
}

/** Whether the headings of a row come again and again, but for years in them. */
function blocksUnder(row: Row, at: number): Blocks | null {
  const texts = countUp(row.cells.length).map((column) =>
    textAt(row, column).replace(YEAR, '').trim().toLowerCase(),
  )
  const first = row.cells.findIndex((cell) => cell !== '')
  if (first < 0 || texts[first] === '') return null
  const starts = countUp(texts.length).filter((column) => texts[column] === texts[first])
  const width = (starts[1] ?? 0) - first
  const isEven = starts.every((start, i) => start === first + i * width)
  if (starts.length < 2 || width < 2 || !isEven) return null
  const isSame = starts.every((start) =>
    countUp(width).every((i) => (texts[start + i] ?? '') === texts[first + i]),
  )
  return isSame ? { at, starts, width } : null
}

function isSeason(text: string): boolean {
  return !/^\d+$/.test(text) && readSeason(text) !== null
}

function namesPeriods(rows: readonly Row[], { at }: Blocks, start: number): boolean {
  const texts = rows
    .slice(at + 1)
    .map((row) => textAt(row, start))
    .filter((text) => text !== '')
  const named = texts.filter((text) => isSeason(text) || readPeriod(text, 'day-first') !== null)
  return named.length >= 2 && named.length >= MOSTLY * texts.length
}

/** The year within the headings of a table, or on the line above it. */
function yearOver(rows: readonly Row[], { at, width }: Blocks, start: number): number | null {
  for (const row of rows.slice(Math.max(0, at - 1), at + 1).reverse()) {
    const years = new Set(
      countUp(width).flatMap((i) => YEAR.exec(textAt(row, start + i))?.[1] ?? []),
    )
    const [only] = years
    if (years.size === 1) return statedYear(only!)?.year ?? null
  }
  return null
}

/** Months from the first period of a table to its last; null where they have no year. */
function spanOf(
  rows: readonly Row[],
  { at }: Blocks,
  start: number,
  year: number | null,
): { readonly first: number; readonly last: number } | null {
  const places = rows.slice(at + 1).flatMap((row) => {
    const text = textAt(row, start)
    const own = isSeason(text)
      ? year === null
        ? null
        : readPeriod(`${text} ${year}`, 'day-first')
      : readPeriod(text, 'day-first')
    return own ? [monthsOf(own)] : []
  })
  return places.length < 2 ? null : { first: Math.min(...places), last: Math.max(...places) }
}
