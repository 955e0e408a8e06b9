import type { ArimaTrend } from './arima/fit'
import type { ArimaTrendOptions } from './arima/options'
import type { ArimaTrendReport } from './arima/report'
import { arima } from './arima/way'
import type { TrendDocument } from './document'
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

/** Every way of laying a trend through values. */
export const TREND_WAYS = [leastSquares, smoothed, arima] as const
export type TrendWayName = (typeof TREND_WAYS)[number]['name']

/** The trend, complete; `form` names the way. */
export type TrendOptions = FittedTrendOptions | SmoothedTrendOptions | ArimaTrendOptions
/** A trend through values in time. */
export type Trend = FittedTrend | SmoothedTrend | ArimaTrend
/** What there is to say of a trend; `form` tells which. */
export type TrendFit = FittedTrendReport | SmoothedTrendReport | ArimaTrendReport

export type AnyTrendWay = Omit<TrendWay<TrendDocument, TrendOptions, Trend, TrendFit>, 'name'> & {
  readonly name: TrendWayName
}

/** The way of a form. Here is the one cast: behind it the compiler holds options, trend and report together. */
export function trendWayOf(form: TrendFormName): AnyTrendWay {
  return WAYS[form]
}

const WAYS = Object.fromEntries(
  Object.keys(TREND_FORMS).map((form) => [form, TREND_WAYS.find(({ forms }) => form in forms)]),
) as unknown as Readonly<Record<TrendFormName, AnyTrendWay>>
