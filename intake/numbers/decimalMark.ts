import type { Cell } from '../grid'
import { readNumber, type DecimalMark } from './numberText'

/** What cells say of their decimal mark. */
export interface MarkEvidence {
  /** The mark the cells allow; null when both do, and `differs` says whether that matters. */
  readonly mark: DecimalMark | null
  /** A cell that the two marks read differently, when nothing else in the column decides. */
  readonly doubtful: string | null
}

/**
 * Finds the decimal mark of a column from its cells: one that only one mark can read decides.
 *
 * @param cells of one column, or of all value columns together
 * @example decimalMark(['1,234', '2,5']).mark // 'comma'
 */
export function decimalMark(cells: Iterable<Cell>): MarkEvidence {
  const votes = { point: 0, comma: 0 }
  let doubtful: string | null = null
  for (const cell of cells) {
    if (typeof cell === 'number' || !/[.,]/.test(cell)) continue
    const point = readNumber(cell, 'point')
    const comma = readNumber(cell, 'comma')
    if (point.kind === 'number' && comma.kind !== 'number') votes.point++
    else if (comma.kind === 'number' && point.kind !== 'number') votes.comma++
    else if (point.kind === 'number' && comma.kind === 'number' && point.value !== comma.value) {
      doubtful ??= cell
    }
  }
  if (votes.point > 0 || votes.comma > 0) {
    return { mark: votes.comma > votes.point ? 'comma' : 'point', doubtful: null }
  }
  return doubtful === null ? { mark: 'point', doubtful } : { mark: null, doubtful }
}
