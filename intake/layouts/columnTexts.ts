import { textAt, type Row } from '../grid'

/** Share of a column's filled cells, its heading aside, that fit. */
export function shareOf(
  rows: readonly Row[],
  column: number,
  fits: (text: string) => boolean,
): number {
  const texts = rows.map((row) => textAt(row, column)).filter((text) => text !== '')
  const first = texts.findIndex(fits)
  if (first < 0) return 0
  const body = texts.slice(first)
  return body.filter(fits).length / body.length
}

/** The text above the first cell that is no heading. */
export function headingOf(
  rows: readonly Row[],
  column: number,
  isHeading: (text: string) => boolean,
): string {
  let heading = ''
  for (const row of rows) {
    const text = textAt(row, column)
    if (text === '') continue
    if (!isHeading(text)) break
    heading = text
  }
  return heading
}
