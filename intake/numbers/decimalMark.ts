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
 * The decimal mark of a column whose marks part thousands, to judge by the numbers without one: `1,050` beside `950`, and no
 * `1050`. Read as decimals, the numbers without a mark would be hundreds of times as large as those with one.
 *
 * @returns null where the numbers without a mark do not tell
 */
export function markByThousands(cells: readonly Cell[]): DecimalMark | null {
  const texts = cells.map(String).filter((text) => /\d/.test(text))
  const marks = new Set(texts.flatMap((text) => text.match(/[.,]/g) ?? []))
  if (marks.size !== 1) return null
  const decimal = marks.has(',') ? 'point' : 'comma'
  const read = texts.map((text) => ({
    isMarked: /[.,]/.test(text),
    number: readNumber(text, decimal),
  }))
  const sizes = (isMarked: boolean) =>
    read.flatMap((one) =>
      one.isMarked === isMarked && one.number.kind === 'number' ? [Math.abs(one.number.value)] : [],
    )
  const bare = sizes(false)
  const marked = sizes(true)
  const isThousands =
    marked.length > 0 && marked.every((size) => size >= 1000 && Number.isInteger(size))
  const areHundreds = bare.every((size) => size < 1000) && bare.some((size) => size >= 100)
  return isThousands && areHundreds ? decimal : null
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
