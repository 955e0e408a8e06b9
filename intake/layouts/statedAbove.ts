import type { Row } from '../grid'
import { yearOf } from '../periods/periodReading'

/** Lines about the file rather than about its figures. */
const OF_THE_FILE =
  /print|run|creat|export|as of|stand|date|page|seite|gedruckt|erstellt|version|©|copyright/i

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
      if (OF_THE_FILE.test(text)) continue
      for (const [digits] of text.matchAll(/(?<![\d.,/-])(?:19|20)\d{2}(?![\d.,/-])/g)) {
        const year = yearOf(digits)
        if (year !== null) years.add(year)
      }
    }
  }
  const [only] = years
  return years.size === 1 ? only! : null
}
