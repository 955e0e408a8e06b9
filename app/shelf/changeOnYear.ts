import type { ShelfRow } from '~~/shared/api/series'
import { isPerCent } from '~~/core/words/figure'

/** A change of the last value on the same season a year before. */
export interface YearChange {
  readonly by: number
  /** Per cent of what it was; of figures that are per cent themselves points; else units of the series. */
  readonly in: 'percent' | 'points' | 'units'
}

/**
 * The last value against the same season a year before; undefined without both. Over a base that is not above 0, or
 * to the other side of it, a share would mislead: then it is the difference.
 */
export function changeOnYear({ last, unit }: Pick<ShelfRow, 'last' | 'unit'>): YearChange | null {
  if (!last || last.yearBefore === null) return null
  const difference = last.value - last.yearBefore
  if (isPerCent(unit)) return { by: difference, in: 'points' }
  if (last.yearBefore <= 0 || last.value < 0) return { by: difference, in: 'units' }
  return { by: 100 * (last.value / last.yearBefore - 1), in: 'percent' }
}
