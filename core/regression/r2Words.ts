import type { Value } from '../series/series'
import type { ReadersFigures } from '../words/readersFigures'

/** `R² 0.90`; a dash where there is none. */
export function r2Words(r2: Value, says: ReadersFigures): string {
  return `R² ${r2Figure(r2, says)}`
}

/** `R² 0.18 → 0.90`: before and after. */
export function r2Change(before: Value, after: Value, says: ReadersFigures): string {
  return `R² ${r2Figure(before, says)} → ${r2Figure(after, says)}`
}

function r2Figure(r2: Value, { decimals }: ReadersFigures): string {
  return r2 === null ? '–' : decimals(r2, 2)
}
