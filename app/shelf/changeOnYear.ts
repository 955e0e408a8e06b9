import type { ShelfRow } from '~~/shared/api/series'

/**
 * The last value against the same season a year before, in per cent; undefined without both, or
 * over a base that is not above 0.
 */
export function changeOnYear({ last }: Pick<ShelfRow, 'last'>): number | null {
  if (!last || last.yearBefore === null || last.yearBefore <= 0) return null
  return 100 * (last.value / last.yearBefore - 1)
}
