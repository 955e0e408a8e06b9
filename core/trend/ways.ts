import { TREND_FORMS, type TrendFormName } from './forms'
import type { FittedTrend } from './leastSquares/fit'
import type { FittedTrendOptions } from './leastSquares/options'
import type { FittedTrendReport } from './leastSquares/report'
import { leastSquares } from './leastSquares/way'
import type { SmoothedTrend } from './smoothed/fit'
import type { SmoothedTrendOptions } from './smoothed/options'
import type { SmoothedTrendReport } from './smoothed/report'
import { smoothed } from './smoothed/way'
import type { TrendWay } from './way'

/** A trend through values in time, by least squares or smoothed. */
export type Trend = FittedTrend | SmoothedTrend

export type AnyTrendWay = TrendWay<
  FittedTrendOptions | SmoothedTrendOptions,
  Trend,
  FittedTrendReport | SmoothedTrendReport
>

/** The way of a form. Here is the one cast: behind it the compiler holds options, trend and report together. */
export function trendWayOf(form: TrendFormName): AnyTrendWay {
  return (TREND_FORMS[form].smooths ? smoothed : leastSquares) as unknown as AnyTrendWay
}
