/** Lines that tell where the columns stand. */
const SAMPLE_LINES = 400
/** Spaces between columns at the least; one alone also parts words. */
const GUTTER = 2

/**
 * Cuts a text whose columns are aligned by spaces: where every line has spaces, a column ends.
 *
 * @param lines of the text
 * @returns the cells of every line; null for a text that is not laid out so
 * @example cutAligned(['month    Sales', '2021-01     50', '2021-02    120'])
 *   // [['month', 'Sales'], ['2021-01', '50'], ['2021-02', '120']]
 */
export function cutAligned(lines: readonly string[]): string[][] | null {
  const filled = lines.filter((line) => line.trim() !== '')
  if (filled.length < 2) return null
  return cutAtGutters(lines, filled) ?? cutAtSpaces(lines, filled)
}

/** Columns between stretches that are blank in every line that belongs to the table. */
function cutAtGutters(lines: readonly string[], filled: readonly string[]): string[][] | null {
  // A title or a footnote runs across the columns.
  const table = filled.filter(hasGutter).slice(0, SAMPLE_LINES)
  if (table.length < 2 || table.length < 0.6 * Math.min(filled.length, SAMPLE_LINES)) return null
  const width = Math.max(...table.map((line) => line.length))
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
  if (starts.length < 2) return null
  const cut = (line: string) =>
    starts.map((from, i) => line.slice(from, starts[i + 1] ?? Infinity).trim())
  // What runs across is one cell: a line that a cut would part within a word, or words without a figure.
  const isRow = (line: string) => {
    if (hasGutter(line)) return true
    const fits = starts.every((from) => from === 0 || (line[from - 1] ?? ' ') === ' ')
    const [first, ...others] = cut(line)
    return fits && (first === '' || others.some((cell) => /^[-+(]?[\d.,]/.test(cell)))
  }
  return lines.map((line) => (isRow(line) ? cut(line) : [line.trim()]))
}

/** Spaces between its words as between columns, or before its only one: a unit below a heading. */
function hasGutter(line: string): boolean {
  return / {2}\S/.test(line.trimStart()) || /^ {2,}\S+\s*$/.test(line)
}

/** The same number of words in every line, two or more, a figure at the end of most. */
function cutAtSpaces(lines: readonly string[], filled: readonly string[]): string[][] | null {
  const words = filled.slice(0, SAMPLE_LINES).map((line) => line.trim().split(/ +/))
  const [{ length }] = words as [string[]]
  const ends = words.filter((cells) => /^[-+(]?[\d.,]+\)?$/.test(cells.at(-1)!)).length
  if (length < 2 || words.some((cells) => cells.length !== length)) return null
  return ends >= 0.6 * words.length ? lines.map((line) => line.trim().split(/ +/)) : null
}
