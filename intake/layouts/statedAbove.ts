import type { Row } from '../grid'
import { yearOf } from '../periods/periodReading'

const OF_THE_FILE =
  /\b(print(ed)?|run|creat(ed|ion)|export(ed)?|as of|as at|stand|dated?|page|seite|gedruckt|druckdatum|erstellt|version|copyright)\b|©/i

/** Whether a line is about the file rather than about its figures: when it was printed, a page. */
export function isOfTheFile(text: string): boolean {
  return OF_THE_FILE.test(text)
}

/**
 * The year that the lines over a table state, where they state one and no other: `Sales 2023`.
 *
 * @returns null for none, and where several are named
 */
export function yearStatedAbove(rows: readonly Row[]): number | null {
  const years = new Set<number>()
  for (const { cells } of rows) {
    for (const cell of cells) {
      const text = String(cell)
      if (isOfTheFile(text)) continue
      for (const [digits] of text.matchAll(/(?<![\d.,/-])(?:19|20)\d{2}(?![\d.,/-])/g)) {
        const year = yearOf(digits)
        if (year !== null) years.add(year)
      }
    }
  }
  const [only] = years
  return years.size === 1 ? only! : null
}
