import type { Row } from '../grid'
import { TOTAL, TOTAL_END } from './words'

/**
 * Whether a row is called a total or an average of others, in any of its cells.
 *
 * @param word what it is called by; any word for a total when left out
 */
export function isTotalRow(row: Row, word?: RegExp): boolean {
  return row.cells.some(
    (cell) =>
      typeof cell === 'string' &&
      cell.length < 40 &&
      (word ? word.test(cell) : TOTAL.test(cell) || TOTAL_END.test(cell)),
  )
}
