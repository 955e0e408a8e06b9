import { textAt, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'

/** Figures behind words in one cell: a printed row that was not cut into its columns. */
export const UNCUT = / [-+(]?\d[\d.,]*\)? +[-+(]?\d[\d.,]*\)?$/
/** Lines that were not cut are asked about when they are this share of all. */
const MOSTLY = 0.5
const FEWEST = 3

/**
 * Asks where the columns of printed lines end, where neither blanks nor the ends of figures tell.
 *
 * @returns the rows, every line that was one cell cut at the places that were said; the same rows where nothing is to be asked
 * @throws Waiting for the places
 * @throws Unreadable for an answer that names no places in ascending order
 * @example of 'Jan 2021 816 96' cut at '8, 12': Jan 2021, 816 and 96
 */
export function cutWhereSaid(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  const uncut = rows.filter((row) => row.cells.length === 1 && UNCUT.test(textAt(row, 0)))
  const [first] = uncut
  if (!first || uncut.length < Math.max(FEWEST, MOSTLY * rows.length)) return rows
  const stated = inquiry.ask({
    id: 'cut',
    ask: `Where do the columns of these lines end? Say after how many characters, with commas between: of "${textAt(first, 0).slice(0, 80)}", on line ${first.line}, 8, 15 would be two.`,
    options: [],
    lines: uncut.map(({ line }) => line).slice(0, 1000),
  })
  const places = stated
    .split(/[,; ]+/)
    .filter(Boolean)
    .map(Number)
  const areInOrder = places.every(
    (place, i) => Number.isInteger(place) && place > (places[i - 1] ?? 0),
  )
  if (places.length === 0 || !areInOrder) {
    throw new Unreadable([
      whole(`"${stated}" names no places to cut at; they are whole numbers that rise, as 8, 15.`),
    ])
  }
  return rows.map((row) => {
    if (row.cells.length !== 1) return row
    const text = textAt(row, 0)
    const ends = [...places, text.length]
    return { ...row, cells: ends.map((to, i) => text.slice(ends[i - 1] ?? 0, to).trim()) }
  })
}
