import { later } from '~/shell/later'
import { forecastWayOf } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import type { At, Parts } from '../panel'

/** Rows that the trend makes, at whatever stage they are selected. */
const TREND_ROWS: readonly (string | undefined)[] = ['trend', 'trendLevel', 'trendSlope']

/** The trend of the decomposition, where the forecast makes something of it or its own row is selected. */
function showsTrend({ stage, column }: At, { regression, method }: Result): boolean {
  const { extendsTrend, hasOwnTrend } = forecastWayOf(method.forecast.by)
  if (stage === 'trend') return !hasOwnTrend || TREND_ROWS.includes(column)
  if (extendsTrend && column === 'forecastDeseasonalized') return true
  return TREND_ROWS.includes(column) && regression === null
}

export const trend: Parts = {
  overlay: later(() => import('./TrendHandles.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./SmoothedTrend.vue')),
      shows: (at, result) => showsTrend(at, result) && result.trendFit.form === 'smoothed',
    },
    {
      needs: 'result',
      component: later(() => import('./TrendReport.vue')),
      shows: (at, result) => showsTrend(at, result) && result.trendFit.form !== 'smoothed',
    },
  ],
}
