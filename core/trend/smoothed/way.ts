import { projected } from '../../exponential/recursion'
import type { TrendWay } from '../way'
import { smoothedColumns } from './columns'
import { smoothTrend, type SmoothedTrend } from './fit'
import { completeSmoothed, type SmoothedTrendOptions } from './options'
import { reportSmoothed, type SmoothedTrendReport } from './report'

/** The trend whose level and slope follow the values, the newest counting most. */
export const smoothed: TrendWay<SmoothedTrendOptions, SmoothedTrend, SmoothedTrendReport> = {
  complete: (_form, document) => completeSmoothed(document),
  fit: (values, options, { firstT, calendar: { seasons } }) =>
    smoothTrend(values, firstT, { ...options, seasons }),
  report: reportSmoothed,
  design: () => [],
  columns: smoothedColumns,
  ahead: ({ smoothing: { form, end, weights } }, _design, t) =>
    projected(form, end, weights.phi ?? 1, t.length),
}
