import { titleOf } from './observations'

/** Rows from which figures that do not change, or go up by one, are codes whatever they are called. */
const LONG = 12

/**
 * Whether figures are codes by how they are written or how they run: filled up with zeros to one length, as postcodes are; the same
 * whole number in every row, as a plant; or counting on by one from row to row from wherever, as vouchers.
 *
 * @param texts the filled cells of a column
 * @param heading over them; one with a unit speaks of amounts
 * @example areCodes(['01234', '99001'], 'Place') // true
 */
export function areCodes(texts: readonly string[], heading: string): boolean {
  if (!texts.every((text) => /^\d+$/.test(text))) return false
  const [first] = texts
  const isFilledUp = texts.some((text) => /^0\d+$/.test(text))
  if (isFilledUp && texts.every(({ length }) => length === first!.length && length > 2)) return true
  if (texts.length < LONG || titleOf(heading, 0).unit !== '') return false
  const isConstant = first !== '0' && texts.every((text) => text === first)
  const runs = texts.every((text, i) => i === 0 || Number(text) === Number(texts[i - 1]) + 1)
  return isConstant || (runs && Number(first) > 1)
}
