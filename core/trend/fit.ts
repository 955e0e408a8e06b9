import type { Value } from '../series/series'
import { trendLine, type TrendLine } from './trendLine'

/** A trend with the time code of the first period it was fitted to. */
export interface FittedTrend {
  readonly line: TrendLine
  readonly from: number
}

/**
 * The straight trend through a column, over all its periods or its last N.
 *
 * @param values one a period, null = undefined
 * @param firstT time code of the first entry
 * @param last periods of the time axis to fit to, undefined ones included; all when left out
 * @throws Refusal with fewer than three values
 */
export function fitTrend(values: readonly Value[], firstT: number, last = Infinity): FittedTrend {
  const skipped = Math.max(0, values.length - last)
  return { line: trendLine(values.slice(skipped), firstT + skipped), from: firstT + skipped }
}
