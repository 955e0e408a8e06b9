import { later } from '~/shell/later'
import type { Result } from '~~/core/result'
import type { At, Parts } from '../panel'

/** Rows that the trend makes, at whatever stage they are selected. */
const TREND_ROWS: readonly (string | undefined)[] = [
  'trend',
  'trendLevel',
  'trendSlope',
  'forecastDeseasonalized',
]

function showsTrend({ stage, column }: At, { regression }: Result): boolean {
  return stage === 'trend' || (TREND_ROWS.includes(column) && regression === null)
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
