import { FIGURE_OR_NONE } from './printedFigures'

/** A month and its year, which are one cell. */
const MONTH_AND_YEAR = /^(\p{L}+\.?) ((?:19|20)\d{2})(?= |$)/u
/** A text is one of words when this share of its lines that end with a figure have the same number of them. */
const MOSTLY = 0.9
/** Lines that tell how many words a row has. */
const SAMPLE_LINES = 400

/**
 * Cuts a text with one space between its columns: at every space, with a month and its year kept together, as long as its rows
 * have the same number of words. A heading of more words than there are columns stays whole: where it is to be cut nobody can tell.
 *
 * @param lines of the text
 * @returns the cells of every line; null where wider spaces stand between words, or rows have different numbers of them
 * @example cutAtWords(['Month Sales', 'Jan 2021 50', 'Feb 2021 120']) // [['Month', 'Sales'], ['Jan 2021', '50'], …]
 */
export function cutAtWords(lines: readonly string[]): string[][] | null {
  if (lines.some((line) => / {2}/.test(line.trim()))) return null
  const words = lines.map((line) => wordsOf(line.trim()))
  const ending = words
    .filter((own) => own.length > 1 && FIGURE_OR_NONE.test(own.at(-1)!))
    .slice(0, SAMPLE_LINES)
  const counts = new Map<number, number>()
  for (const { length } of ending) counts.set(length, (counts.get(length) ?? 0) + 1)
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  if (ending.length < 2 || !most || most[1] < MOSTLY * ending.length) return null
  const [count] = most
  return words.map((own, at) => (own.length === count ? own : [lines[at]!.trim()]))
}

function wordsOf(line: string): string[] {
  const month = MONTH_AND_YEAR.exec(line)
  if (!month) return line.split(/ +/)
  const rest = line.slice(month[0].length).trim()
  return [month[0], ...(rest === '' ? [] : rest.split(/ +/))]
}
