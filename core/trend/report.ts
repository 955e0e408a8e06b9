import type { FittedTrendReport } from './leastSquares/report'
import type { SmoothedTrendReport } from './smoothed/report'

/** What there is to say of a trend; `form` tells which. */
export type TrendFit = FittedTrendReport | SmoothedTrendReport

/** The report of a trend that is fitted by least squares. @throws RangeError for a smoothed one */
export function fittedReport(trend: TrendFit): FittedTrendReport {
  if (trend.form !== 'smoothed') return trend
  throw new RangeError('A smoothed trend has no regression report.')
}
