import { Refusal } from '../core/refusal'

/** What a file may hold; beyond it the work is not begun. */
export const LIMITS = {
  bytes: 100 * 1024 * 1024,
  /** Of a workbook, unpacked. */
  unpackedBytes: 500 * 1024 * 1024,
  /** Unpacked bytes for each packed one; real sheets stay well below. */
  packing: 300,
  cells: 8_000_000,
  /** Of a text, blank ones too. */
  lines: 2_000_000,
  /** Characters of one line of a text. */
  line: 2_000_000,
  /** Brackets inside one another, in JSON. */
  depth: 100,
  columns: 12_000,
  series: 12_000,
  periods: 20_000,
} as const

/** @throws Refusal when a file is larger than can be read */
export function requireBytes(bytes: number): void {
  if (bytes <= LIMITS.bytes) return
  const size = (bytes / 1024 / 1024).toFixed(0)
  throw new Refusal(
    `The file has ${size} MB; at most ${LIMITS.bytes / 1024 / 1024} MB are read. Split it, or leave out columns.`,
    'file',
  )
}

/** Counts the cells of rows as they are read. */
export function cellCounter(): (more: number) => void {
  let count = 0
  return (more) => {
    if (more > LIMITS.columns) {
      throw new Refusal(
        `A row has ${more.toLocaleString('en-GB')} cells; at most ${LIMITS.columns} columns are read. Leave some out.`,
        'file',
      )
    }
    count += more
    if (count <= LIMITS.cells) return
    throw new Refusal(
      `The file has more than ${LIMITS.cells / 1e6} million cells. Split it, or leave out columns.`,
      'file',
    )
  }
}

/** @throws Refusal when a line of a text is longer than any table's: it would be cut into cells for minutes */
export function requireShortLines(text: string): void {
  if (text.length <= LIMITS.line) return
  let from = 0
  for (let at = 0; at <= text.length; at++) {
    const letter = text.charCodeAt(at)
    if (letter !== FEED && letter !== CARRIAGE && at < text.length) continue
    if (at - from > LIMITS.line) {
      throw new Refusal(
        `A line has ${(at - from).toLocaleString('en-GB')} characters; at most ${LIMITS.line / 1e6} million are read. Leave out columns.`,
        'file',
      )
    }
    from = at + 1
  }
}
const FEED = '\n'.charCodeAt(0)
const CARRIAGE = '\r'.charCodeAt(0)

/** @throws Refusal when a text has more lines than can be read */
export function requireLines(lines: number): void {
  if (lines <= LIMITS.lines) return
  throw new Refusal(
    `The file has more than ${LIMITS.lines / 1e6} million lines. Split it, or sum it by month first.`,
    'file',
  )
}
