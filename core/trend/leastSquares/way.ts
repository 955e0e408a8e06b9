import { TREND_FORMS } from '../forms'
import type { TrendWay } from '../way'
import { fittedColumns } from './columns'
import { fitTrend, type FittedTrend } from './fit'
import { completeFitted, fittedTo, trendDesign, type FittedTrendOptions } from './options'
import { reportFitted, type FittedTrendReport } from './report'

/** Trends that are fitted by least squares to columns of time. */
export const leastSquares: TrendWay<FittedTrendOptions, FittedTrend, FittedTrendReport> = {
  complete: completeFitted,
  fit: (values, options, time, nameOf) =>
    fitTrend(values, time.firstT, fittedTo(options, time), nameOf),
  report: reportFitted,
  design: trendDesign,
  columns: fittedColumns,
  ahead({ form, terms }, design, t) {
    const [constant, ...rest] = terms.map(({ estimate }) => estimate)
    return t.map((at) => {
      const sum = rest.reduce((total, own, j) => total + own * design[j]!.at(at), constant!)
      return TREND_FORMS[form].ofLog ? Math.exp(sum) : sum
    })
  },
}
