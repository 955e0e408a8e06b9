import { countUp, textAt, type Row } from '../grid'
import { readSeason } from '../periods/seasonText'
import { yearStatedAbove } from './statedAbove'

/** Rows of a table on a sheet, from its headings to before the next table. */
export interface BlockRows {
  readonly from: number
  readonly to: number
}

/**
 * Tables of one shape, each of a year that stands above it, as one table: their months with their years behind them, under the
 * headings of the first.
 *
 * @param blocks tables in the order of the sheet
 * @returns null where they do not go on from one another: other headings, no year above, a year that comes twice
 */
export function joinYearBlocks(
  rows: readonly Row[],
  blocks: readonly BlockRows[],
): readonly Row[] | null {
  const [first] = blocks
  if (!first) return null
  const heading = ({ from }: BlockRows) => rows[from]!.cells.join('\u0000').toLowerCase()
  if (blocks.some((block) => heading(block) !== heading(first))) return null
  const years = blocks.map((block, i) =>
    yearStatedAbove(rows.slice(i === 0 ? 0 : lastFigures(rows, blocks[i - 1]!) + 1, block.from)),
  )
  const goOn = years.every((year, i) => year !== null && (i === 0 || year === years[i - 1]! + 1))
  const column = countUp(rows[first.from]!.cells.length).find((at) =>
    rows.slice(first.from + 1, first.from + 3).every((row) => isNamed(textAt(row, at))),
  )
  if (!goOn || column === undefined) return null
  return rows.map((row, at) => {
    const i = blocks.findIndex(({ from, to }) => at >= from && at < to)
    const isHeading = blocks.some(({ from }) => from === at)
    if (i < 0 || (isHeading && i > 0)) return { ...row, cells: [] }
    if (isHeading) return row
    const season = textAt(row, column)
    if (!isNamed(season)) return { ...row, cells: [] }
    return {
      ...row,
      cells: row.cells.map((cell, own) => (own === column ? `${season} ${years[i]}` : cell)),
    }
  })
}

function isNamed(text: string): boolean {
  return !/^\d+$/.test(text) && readSeason(text) !== null
}

/** The last row of a table that names a month: what comes below belongs to the next. */
function lastFigures(rows: readonly Row[], { from, to }: BlockRows): number {
  for (let at = to - 1; at > from; at--) {
    if (rows[at]!.cells.some((_, column) => isNamed(textAt(rows[at]!, column)))) return at
  }
  return from
}
