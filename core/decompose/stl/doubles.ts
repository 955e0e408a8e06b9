/**
 * A list of zeros for a calculation to write over, as plain numbers.
 *
 * In loops that are given their lists, the compiler steps through plain lists of fractions up to twice as
 * fast as through typed ones. It takes a list for one of fractions when one is in it from the start; a list
 * of zeros alone would be one of whole numbers.
 */
export function doubles(length: number): number[] {
  const list: number[] = []
  for (let i = 0; i < length; i++) list.push(0.5)
  return list.fill(0)
}

/** Writes one list over another of the same length. */
export function copy(from: readonly number[], to: number[]): void {
  for (let i = 0; i < to.length; i++) to[i] = from[i]!
}
