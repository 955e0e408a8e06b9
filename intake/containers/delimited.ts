import Papa from 'papaparse'
import { Refusal } from '../../core/refusal'
import type { Row } from '../grid'
import { cellCounter } from '../limits'

/** In the order of preference when two fit alike: a comma is the one that also stands in numbers. */
const DELIMITERS = { '\t': 'tabs', ';': 'semicolons', '|': 'bars', ',': 'commas' } as const
type Delimiter = keyof typeof DELIMITERS

/** Lines that tell the delimiter. */
const SAMPLE_LINES = 60
const SAMPLE_LENGTH = 200_000

/**
 * Cuts delimited text into rows of cells. The delimiter is found from the text; quoted fields may hold
 * line breaks; lines end as they like.
 *
 * @returns the rows with their line numbers, blank ones too, and the name of the delimiter
 * @throws Refusal when a quotation mark is opened and never closed, with its line
 */
export function cutIntoCells(text: string): { rows: Row[]; delimiter: string } {
  const delimiter = guessDelimiter(text)
  const count = cellCounter()
  const rows: Row[] = []
  let line = 1
  const parsed = Papa.parse<string[]>(text, { delimiter, newline: newlineOf(text) })
  for (const record of parsed.data) {
    count(record.length)
    let breaks = 0
    const cells = record.map((cell) => {
      if (cell.includes('\n') || cell.includes('\r')) breaks += cell.match(/\r\n|\r|\n/g)!.length
      // An apostrophe before = + - @ keeps a spreadsheet from calculating; it is not part of the text.
      return cell.trim().replace(/^'(?=[=+\-@])/, '')
    })
    rows.push({ line, cells })
    line += 1 + breaks
  }
  const broken = parsed.errors.find(({ code }) => code === 'MissingQuotes')
  if (broken) {
    const at = rows[Math.min(broken.row ?? 0, rows.length - 1)]?.line ?? 1
    throw new Refusal('A quotation mark is opened here and never closed.', `line ${at}`)
  }
  return { rows, delimiter: DELIMITERS[delimiter] }
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
