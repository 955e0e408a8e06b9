import Papa from 'papaparse'
import { Refusal } from '../../core/refusal'
import type { Row } from '../grid'
import { cellCounter, requireLines, requireShortLines } from '../limits'

/** In the order of preference when two fit alike: a comma is the one that also stands in numbers. */
const DELIMITERS = { '\t': 'tabs', ';': 'semicolons', '|': 'bars', ',': 'commas' } as const
type Delimiter = keyof typeof DELIMITERS

/** Lines that tell the delimiter. */
const SAMPLE_LINES = 60
const SAMPLE_LENGTH = 200_000

/** Characters that are cut at once, so that a large text is never there twice. */
const PIECE = 4_000_000
/** Cells that come again, such as names and dates, are kept once. */
const MOST_KNOWN = 20_000
const LONGEST_KNOWN = 40

/**
 * Cuts delimited text into rows of cells. The delimiter is found from the text; quoted fields may hold
 * line breaks; lines end as they like.
 *
 * @returns the rows that hold something with their line numbers, and the name of the delimiter
 * @throws Refusal when a quotation mark is opened and never closed, with its line; for more cells or lines than are read
 */
export function cutIntoCells(text: string): { rows: Row[]; delimiter: string } {
  requireShortLines(text)
  const delimiter = guessDelimiter(text)
  const count = cellCounter()
  const once = knownOnce()
  const rows: Row[] = []
  let line = 1
  Papa.parse<string[]>(text, {
    delimiter,
    newline: newlineOf(text),
    chunkSize: PIECE,
    step({ data: record, errors }) {
      if (errors.some(({ code }) => code === 'MissingQuotes')) {
        throw new Refusal('A quotation mark is opened here and never closed.', `line ${line}`)
      }
      count(record.length)
      let breaks = 0
      let isBlank = true
      const cells = record.map((cell) => {
        if (cell === '') return cell
        if (cell.includes('\n') || cell.includes('\r')) breaks += cell.match(/\r\n|\r|\n/g)!.length
        const own = once(plain(cell))
        if (own !== '') isBlank = false
        return own
      })
      if (!isBlank) rows.push({ line, cells })
      line += 1 + breaks
      requireLines(line - 1)
    },
  })
  return { rows, delimiter: DELIMITERS[delimiter] }
}

/** An apostrophe before = + - @ keeps a spreadsheet from calculating; it is not part of the text. */
function plain(cell: string): string {
  const text = cell.trim()
  return text.startsWith("'") ? text.replace(/^'(?='*[=+\-@])/, '') : text
}

/** Gives the first of equal short texts, and lets go of the large text that it was cut from. */
function knownOnce(): (text: string) => string {
  const known = new Map<string, string>()
  return (text) => {
    if (text.length > LONGEST_KNOWN) return text
    const own = known.get(text)
    if (own !== undefined) return own
    if (known.size < MOST_KNOWN) known.set(text, text)
    return text
  }
}

/** The line ending that comes first outside of doubt; files of old machines have carriage returns alone. */
function newlineOf(text: string): '\r\n' | '\n' | '\r' {
  const sample = text.slice(0, SAMPLE_LENGTH)
  if (sample.includes('\r\n')) return '\r\n'
  return sample.includes('\n') || !sample.includes('\r') ? '\n' : '\r'
}

/** The delimiter by which most lines have the same number of fields, more than one. */
function guessDelimiter(text: string): Delimiter {
  const sample = text.slice(0, SAMPLE_LENGTH)
  let best: { delimiter: Delimiter; lines: number } = { delimiter: ',', lines: 0 }
  for (const delimiter of Object.keys(DELIMITERS) as Delimiter[]) {
    const { data } = Papa.parse<string[]>(sample, {
      delimiter,
      newline: newlineOf(text),
      preview: SAMPLE_LINES,
      skipEmptyLines: true,
    })
    const counts = new Map<number, number>()
    for (const { length } of data) if (length > 1) counts.set(length, (counts.get(length) ?? 0) + 1)
    const lines = Math.max(0, ...counts.values())
    if (lines > best.lines) best = { delimiter, lines }
  }
  return best.delimiter
}
