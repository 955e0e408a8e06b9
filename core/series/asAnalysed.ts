import { adjustedValues } from './adjusted'
import type { Series } from './series'

/**
 * A series as it is analysed: its adjustments made, and without what is missing after its last value.
 *
 * @param periods that are known, from time code 1; all of them when left out
 * @returns a series without any value has no periods
 * @example 10, 20 (adjusted to 15), none: 10, 15
 */
export function asAnalysed(series: Series, periods = Infinity): Series {
  const values = adjustedValues(series).slice(0, Math.max(0, periods))
  const last = values.findLastIndex((value) => value !== null)
  return { ...series, values: values.slice(0, last + 1), adjustments: [] }
}
