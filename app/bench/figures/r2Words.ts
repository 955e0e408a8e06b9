import { formatDecimals } from '~/figures/format'
import type { Value } from '~~/core/series/series'

/** `R² 0.90`; a dash where there is none. */
export function r2Words(r2: Value): string {
  return `R² ${r2Figure(r2)}`
}

/** `R² 0.18 → 0.90`: before and after. */
export function r2Change(before: Value, after: Value): string {
  return `R² ${r2Figure(before)} → ${r2Figure(after)}`
}

function r2Figure(r2: Value): string {
  return r2 === null ? '–' : formatDecimals(r2, 2)
}
