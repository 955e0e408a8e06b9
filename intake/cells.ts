import Papa from 'papaparse'

/** One record of a file, with the line it starts on (from 1). */
export interface RawRow {
  readonly line: number
  readonly cells: readonly string[]
}

const DELIMITERS = [',', ';', '\t', '|']

/**
 * Cuts delimited text into rows of cells. The delimiter is found from the text; quoted fields may
 * hold line breaks; rows without any text are passed over, and keep their line numbers.
 *
 * @returns the rows, and where the text itself is broken (an unclosed quote) the line of it
 */
export function cutIntoCells(text: string): { rows: RawRow[]; brokenAt: number | null } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: DELIMITERS,
    skipEmptyLines: false,
  })
  const rows: RawRow[] = []
  let line = 1
  for (const record of parsed.data) {
    const cells = record.map((cell) => cell.trim())
    if (cells.some((cell) => cell !== '')) rows.push({ line, cells })
    line +=
      1 + record.reduce((breaks, cell) => breaks + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0)
  }
  const broken = parsed.errors.find((error) => error.type === 'Quotes')
  return { rows, brokenAt: broken ? (rows.at(broken.row ?? 0)?.line ?? 1) : null }
}
