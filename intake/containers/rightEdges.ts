import { FIGURE_IN_GROUPS, FIGURE_OR_NONE } from './printedFigures'

/** Lines that tell where the columns end. */
const SAMPLE_LINES = 400
/** A column ends where figures end in this share of the lines that end with a figure. */
const OFTEN = 0.25
/** Lines that end with a figure must be rows in this share. */
const MOSTLY = 0.6
/** Lines of headings over one another at the most. */
const MOST_HEADINGS = 3
const RULE = /^[-=_ ]+$/

/** A year behind the name of its month. */
const YEAR = /^(?:(?:19|20)\d{2}|'\d{2})$/

interface Word {
  readonly text: string
  readonly from: number
  /** Where the word has ended: the place behind its last letter. */
  readonly to: number
}

/**
 * Cuts a text whose columns of figures are aligned to the right, however few spaces are between them: a column ends where figures
 * end in most lines.
 *
 * @param lines of the text
 * @returns the cells of every line; null where figures do not end in the same places, or something else stands between them
 * @example cutAtRightEdges(['month   Sales Cost', '2021-01  1,250  90', '2021-02 11,300 105']) // [['month', 'Sales', 'Cost'], …]
 */
export function cutAtRightEdges(lines: readonly string[]): string[][] | null {
  const words = lines.map((line) => (RULE.test(line) ? [] : wordsOf(line)))
  const ending = words
    .filter((own) => own.length > 1 && FIGURE_OR_NONE.test(own.at(-1)!.text))
    .slice(0, SAMPLE_LINES)
  const edges = edgesOf(ending)
  if (edges.length === 0 || ending.length < 2) return null
  const isRow = words.map((own) => {
    const end = own.at(-1)
    return (
      own.length > 1 && !areYears(own) && FIGURE_OR_NONE.test(end!.text) && edges.includes(end!.to)
    )
  })
  const rows = lines.filter((_, at) => isRow[at])
  const stub = stubOf(rows, edges[0]!)
  if (stub === null || rows.length < MOSTLY * ending.length) return null
  const ends = [...startsWithin(rows, stub), stub, ...edges].filter((end) => end > 0)
  const cut = (line: string) =>
    ends.map((to, i) =>
      line.slice(i === 0 ? 0 : ends[i - 1], i === ends.length - 1 ? undefined : to).trim(),
    )
  const areFigures = rows.every((line) =>
    cut(line)
      .slice(-edges.length)
      .every((cell) => cell === '' || FIGURE_OR_NONE.test(cell) || FIGURE_IN_GROUPS.test(cell)),
  )
  // Where figures end in several places of one column, a cut would go through one of them.
  if (!areFigures || words.some((own, at) => isRow[at] && reachesOver(own, ends))) return null
  const headings = headingsAbove(lines, words, isRow.indexOf(true), ends)
  return lines.map((line, at) => {
    if (isRow[at]) return cut(line)
    if (RULE.test(line)) return ['']
    return headings.get(line.trim()) ?? [line.trim()]
  })
}

function wordsOf(line: string): Word[] {
  return [...line.matchAll(/\S+/g)].map(({ 0: text, index }) => ({
    text,
    from: index,
    to: index + text.length,
  }))
}

/** Years over columns. */
function areYears(words: readonly Word[]): boolean {
  return words.length > 1 && words.every(({ text }) => YEAR.test(text))
}

/** Places where figures end in many lines, from the left: a column may be blank in most. */
function edgesOf(lines: readonly (readonly Word[])[]): number[] {
  const counts = new Map<number, number>()
  for (const words of lines) {
    words.forEach(({ text, from, to }, i) => {
      const before = words[i - 1]
      // What a line begins with names its row, also by a number.
      if (i === 0) return
      const isOfMonth =
        YEAR.test(text) && before?.to === from - 1 && !FIGURE_OR_NONE.test(before.text)
      if (FIGURE_OR_NONE.test(text) && !isOfMonth) counts.set(to, (counts.get(to) ?? 0) + 1)
    })
  }
  const often = [...counts].filter(([, count]) => count > 1 && count >= OFTEN * lines.length)
  const sure = new Set(often.map(([edge]) => edge))
  // Years over the columns end where their figures do, also of a column that is all but empty.
  for (const words of lines) {
    if (areYears(words) && words.some(({ to }) => sure.has(to)))
      words.forEach(({ to }) => sure.add(to))
  }
  const edges = [...sure].sort((a, b) => a - b)
  // Thousands that spaces part end in the same places, too: where all before it are groups of the next, it is no edge.
  return edges.filter((edge, i) => {
    const next = edges[i + 1]
    const ending = lines.filter((words) => words.some(({ to }) => to === edge))
    return next === undefined || !ending.every((words) => isGroupOfNext(words, edge, next))
  })
}

/** Whether behind a figure that ends at an edge stands, up to the next edge, a group of three digits. */
function isGroupOfNext(words: readonly Word[], edge: number, next: number): boolean {
  const group = words[words.findIndex(({ to }) => to === edge) + 1]
  return group?.from === edge + 1 && group.to === next && /^\d{3}([.,]\d+)?$/.test(group.text)
}

/**
 * Where the names or periods before the first figures end: the first place that is blank in every row, with nothing but a figure
 * between it and the first edge; 0 where the rows begin with figures.
 *
 * @returns null where no place parts them
 */
function stubOf(rows: readonly string[], first: number): number | null {
  for (let at = 0; at < first; at++) {
    if (!rows.every((line) => line[at] === ' ' || at === 0)) continue
    const fits = rows.every((line) => {
      const cell = line.slice(at, first).trim()
      return cell === '' || FIGURE_OR_NONE.test(cell) || FIGURE_IN_GROUPS.test(cell)
    })
    if (fits) return at
  }
  return null
}

/** Where further columns of words end before the first figures: before places where every row begins a word, some of them far behind another. */
function startsWithin(rows: readonly string[], stub: number): number[] {
  return Array.from({ length: stub }, (_, at) => at).filter(
    (at) =>
      at > 1 &&
      rows.every((line) => line[at] === ' ' && (line[at + 1] ?? ' ') !== ' ') &&
      rows.some((line) => line[at - 1] === ' ') &&
      rows.some((line) => line.slice(0, at).trim() !== ''),
  )
}

/** The lines right above the first row and their cells, as long as no word of theirs reaches over two columns. */
function headingsAbove(
  lines: readonly string[],
  words: readonly (readonly Word[])[],
  first: number,
  ends: readonly number[],
): ReadonlyMap<string, string[]> {
  const found = new Map<string, string[]>()
  for (let at = first - 1; at >= 0 && found.size < MOST_HEADINGS; at--) {
    const line = lines[at]!.trim()
    if (line === '' && found.size > 0) break
    if (line === '' || RULE.test(line)) continue
    // A row whose figures end elsewhere is no heading.
    const figures = words[at]!.filter(({ text }) => FIGURE_OR_NONE.test(text)).length
    if (!areYears(words[at]!) && 2 * figures > words[at]!.length) break
    const cells = found.size === 0 ? headingCells(lines[at]!, ends) : phraseCells(lines[at]!, ends)
    const isOver = cells.filter((cell) => cell !== '').length > 1
    if (!isOver || (found.size > 0 && reachesOver(words[at]!, ends))) break
    found.set(line, cells)
  }
  return found
}

/** Whether a word goes on behind the end of a column. */
function reachesOver(words: readonly Word[], ends: readonly number[]): boolean {
  return words.some(({ from, to }) => ends.some((end) => from < end && end < to))
}

/** What stands over several columns, by the one that it begins over. */
function phraseCells(line: string, ends: readonly number[]): string[] {
  return byColumn(
    phrasesOf(line).map(({ text, from }) => ({ text, from, to: from })),
    ends,
  )
}

/** What stands over the columns: a phrase or a word over each in their order, else words by the middle of each. */
function headingCells(line: string, ends: readonly number[]): string[] {
  const words = wordsOf(line)
  for (const parts of [phrasesOf(line), words]) {
    const missing = ends.length - parts.length
    const isOverAll = missing === 0 || (missing === 1 && parts[0]!.from > 0)
    if (isOverAll) return [...(missing === 1 ? [''] : []), ...parts.map(({ text }) => text)]
  }
  return byColumn(words, ends)
}

function phrasesOf(line: string): Word[] {
  return [...line.matchAll(/\S+(?: \S+)*/g)].map(({ 0: text, index }) => ({
    text,
    from: index,
    to: index + text.length,
  }))
}

function byColumn(words: readonly Word[], ends: readonly number[]): string[] {
  const cells = ends.map((): string[] => [])
  for (const { text, from, to } of words) {
    const column = ends.findIndex((end) => (from + to) / 2 <= end)
    cells[column < 0 ? ends.length - 1 : column]!.push(text)
  }
  return cells.map((own) => own.join(' '))
}
