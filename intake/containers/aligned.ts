import { FIGURE, FIGURE_LAST } from './printedFigures'
import { cutAtRightEdges } from './rightEdges'
import { cutAtWords } from './spacedWords'

/** Lines that tell where the columns stand. */
const SAMPLE_LINES = 400
/** Spaces between columns at the least; one alone also parts words. */
const GUTTER = 2

/**
 * Cuts a text whose columns are aligned by spaces: where every line has spaces, a column ends; where that parts figures of a line
 * wrongly, by the places that figures end at.
 *
 * @param lines of the text
 * @returns the cells of every line; null for a text that is not laid out so
 * @example cutAligned(['month    Sales', '2021-01     50', '2021-02    120'])
 *   // [['month', 'Sales'], ['2021-01', '50'], ['2021-02', '120']]
 */
export function cutAligned(lines: readonly string[]): string[][] | null {
  const filled = lines.filter((line) => line.trim() !== '')
  if (filled.length < 2) return null
  const words = cutAtWords(lines)
  if (words) return words
  const cut = cutAtGutters(lines, filled)
  const atEdges = cutAtRightEdges(lines)
  if (!cut || !atEdges) return cut ?? atEdges
  const isGood = !losesFigures(lines, cut) && headingCells(cut) > 1
  const isWhole = !hasUncutColumns(cut) || hasUncutColumns(atEdges)
  return (isGood && isWhole) || uncut(atEdges) > uncut(cut) ? cut : atEdges
}

/** Lines that came out whole. */
function uncut(cut: readonly (readonly string[])[]): number {
  return cut.filter((cells) => cells.filter((cell) => cell !== '').length === 1).length
}

/** Whether a cell of the headings still holds two of them: wide spaces part columns. */
function hasUncutColumns(cut: readonly (readonly string[])[]): boolean {
  return cut.some(
    (cells) => cells.length > 1 && cells.some((cell) => / {2}/.test(cell) && !/\d/.test(cell)),
  )
}

/** Cells of the line above the first row of figures. */
function headingCells(cut: readonly (readonly string[])[]): number {
  const first = cut.findIndex((cells) =>
    cells.slice(1).some((cell) => FIGURE.test(cell.replaceAll(' ', ''))),
  )
  const above = cut
    .slice(0, first)
    .filter((cells) => cells.some((cell) => cell !== '' && !/^[-=_ ]+$/.test(cell)))
  return above.at(-1)?.length ?? 0
}

/** Whether lines that end with several figures come out as one cell, or figures share one. */
function losesFigures(lines: readonly string[], cut: readonly (readonly string[])[]): boolean {
  return lines.some((line, at) => {
    const words = line.trim().split(/ +/)
    const isRow = words.length > 2 && words.slice(-2).every((word) => FIGURE.test(word))
    return isRow && (cut[at]!.length === 1 || cut[at]!.slice(1).some(holdsTwo))
  })
}

/** Two figures that are no groups of one. */
function holdsTwo(cell: string): boolean {
  const words = cell.split(/ +/)
  return words.some(
    (word, i) =>
      i > 0 && FIGURE.test(word) && FIGURE.test(words[i - 1]!) && !/^\d{3}([.,]\d+)?$/.test(word),
  )
}

/** Columns between stretches that are blank in every line that belongs to the table. */
function cutAtGutters(lines: readonly string[], filled: readonly string[]): string[][] | null {
  // A title or a footnote runs across the columns.
  const table = filled.filter(hasGutter).slice(0, SAMPLE_LINES)
  if (table.length < 2 || table.length < 0.6 * Math.min(filled.length, SAMPLE_LINES)) return null
  const rows = table.filter((line) => FIGURE_LAST.test(line))
  // The head of a page has gutters of its own: where it spoils those of the rows, the rows alone tell.
  const [all, own] = [startsOf(table), startsOf(rows)]
  const isCut = (starts: readonly number[]) =>
    rows.every((line) => starts.some((from) => FIGURE.test(line.slice(from).trim())))
  const starts = isCut(all) || !isCut(own) ? all : own
  if (starts.length < 2) return null
  const cut = (line: string) =>
    starts.map((from, i) => line.slice(from, starts[i + 1] ?? Infinity).trim())
  // What runs across is one cell: a line that a cut would part within a word, or words without a figure.
  const isRow = (line: string) => {
    if (hasGutter(line) && starts === all) return true
    const fits = starts.every((from) => from === 0 || (line[from - 1] ?? ' ') === ' ')
    if (hasGutter(line) && fits) return true
    const [first, ...others] = cut(line)
    return fits && (first === '' || others.some((cell) => /^[-+(]?[\d.,]/.test(cell)))
  }
  return lines.map((line) => (isRow(line) ? cut(line) : [line.trim()]))
}

/** Where columns begin: behind stretches that are blank in every line. */
function startsOf(table: readonly string[]): number[] {
  const width = Math.max(0, ...table.map((line) => line.length))
  const starts = [0]
  let blank = 0
  for (let at = 0; at < width; at++) {
    if (table.every((line) => (line[at] ?? ' ') === ' ')) {
      blank++
      continue
    }
    if (blank >= GUTTER && at > blank) starts.push(at)
    blank = 0
  }
  return starts
}

/** Spaces between its words as between columns, or before its only one: a unit below a heading. */
function hasGutter(line: string): boolean {
  return / {2}\S/.test(line.trimStart()) || /^ {2,}\S+\s*$/.test(line)
}
