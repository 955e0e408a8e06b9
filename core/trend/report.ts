import { isFittedForm } from './leastSquares/forms'
import type { FittedTrendReport } from './leastSquares/report'
import type { TrendFit } from './ways'

/** The report of a trend that is fitted by least squares. @throws RangeError for any other */
export function fittedReport(trend: TrendFit): FittedTrendReport {
  if (isFittedForm(trend.form)) return trend as FittedTrendReport
  throw new RangeError('Only a trend by least squares has a regression report.')
}
