import Papa from 'papaparse'
import { Refusal } from '../../core/refusal'
import type { Row } from '../grid'
import { cutAligned } from './aligned'
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
  const named = /^sep=([;,\t|])\r?\n/i.exec(text)
  const delimiter = (named?.[1] as Delimiter | undefined) ?? guessDelimiter(text)
  if (delimiter === null) return cutAlignedText(text)
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
      const saysDelimiter = line === 1 && named !== null
      if (!isBlank && !saysDelimiter && !isRule(cells)) rows.push({ line, cells })
      line += 1 + breaks
      requireLines(line - 1)
    },
  })
  return { rows, delimiter: DELIMITERS[delimiter] }
}

/** A line of dashes under the headings of a text table. */
function isRule(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== '')
  return filled.length > 1 && filled.every((cell) => /^:?(-{3,}|={3,}):?$/.test(cell))
}

/** A text without a delimiter: columns aligned by spaces, or one column. */
function cutAlignedText(text: string): { rows: Row[]; delimiter: string } {
  const lines = text.split(/\r\n|\r|\n/)
  requireLines(lines.length)
  const count = cellCounter()
  const aligned = cutAligned(lines)
  const rows = (aligned ?? lines.map((line) => [line])).flatMap((record, i): Row[] => {
    count(record.length)
    const cells = record.map(plain)
    return cells.some((cell) => cell !== '') && !isRule(cells) ? [{ line: i + 1, cells }] : []
  })
  return { rows, delimiter: aligned ? 'spaces' : 'one column' }
}

/** An apostrophe before = + - @ keeps a spreadsheet from calculating, as does `="500"`; neither is part of the text. */
function plain(cell: string): string {
  const text = cell.trim().replace(/^="([^"]*)"$/, '$1')
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

/** The delimiter by which most lines have the same number of fields, more than one; null where none parts the lines. */
function guessDelimiter(text: string): Delimiter | null {
  const sample = text.slice(0, SAMPLE_LENGTH)
  const isQuoted = sample.includes('"')
  let best: { delimiter: Delimiter; lines: number } | null = null
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
    if (lines > (best?.lines ?? 0)) best = { delimiter, lines }
  }
  // Commas inside a few numbers or remarks are no delimiter of a text that spaces align.
  if (best?.delimiter === ',' && !isQuoted && looksAligned(sample)) return null
  return best?.delimiter ?? (isQuoted ? ',' : null)
}

/** Whether most lines have wide stretches of spaces, and fewer have commas. */
function looksAligned(sample: string): boolean {
  const lines = sample.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '')
  const wide = lines.filter((line) => / {2,}\S/.test(line.trim())).length
  // Commas between digits are those of numbers.
  const outside = lines.filter((line) => /,(?!\d)|(?<!\d),/.test(line)).length
  // Titles and notes have neither.
  const share = outside === 0 ? 0.5 : 0.7
  return wide >= share * lines.length && outside < 0.3 * lines.length
}
