import { Refusal } from '../core/refusal'

/** What a file may hold; beyond it the work is not begun. */
export const LIMITS = {
  bytes: 100 * 1024 * 1024,
  /** Of a workbook, unpacked. */
  unpackedBytes: 500 * 1024 * 1024,
  /** Unpacked bytes for each packed one; real sheets stay well below. */
  packing: 300,
  cells: 20_000_000,
  columns: 5000,
  series: 5000,
  periods: 20_000,
} as const

/** @throws Refusal when a file is larger than can be read */
export function requireBytes(bytes: number): void {
  if (bytes <= LIMITS.bytes) return
  const size = (bytes / 1024 / 1024).toFixed(0)
  throw new Refusal(
    `The file has ${size} MB; at most ${LIMITS.bytes / 1024 / 1024} MB are read. Split it, or leave out columns.`,
    'file',
  )
}

/** Counts cells as they are read. */
export function cellCounter(): (more: number) => void {
  let count = 0
  return (more) => {
    count += more
    if (count <= LIMITS.cells) return
    throw new Refusal(
      `The file has more than ${LIMITS.cells / 1e6} million cells. Split it, or leave out columns.`,
      'file',
    )
  }
}
