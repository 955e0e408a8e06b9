import type { Value } from '../../core/series/series'
import type { ValuesSummary } from '../database/schema'

/**
 * What the shelf says of values.
 *
 * @param seasons of a year
 * @example summaryOf([1, 2, 3, null], 2) // { periods: 4, missing: 1, last: { t: 3, value: 3, yearBefore: 1 } }
 */
export function summaryOf(values: readonly Value[], seasons: number): ValuesSummary {
  const at = values.findLastIndex((value) => value !== null)
  return {
    periods: values.length,
    missing: values.filter((value) => value === null).length,
    last:
      at < 0 ? null : { t: at + 1, value: values[at]!, yearBefore: values[at - seasons] ?? null },
  }
}
