import { later } from '~/shell/later'
import type { DecompositionName } from '~~/core/decompose/ways'
import { memberNamed } from '~~/core/forecast/combination/columns'
import { forecastWayOf, type ForecastName } from '~~/core/forecast/ways'
import type { Result } from '~~/core/result'
import { trendWayOf, type TrendWayName } from '~~/core/trend/ways'
import type { At, Panel } from '../stage/panel'
import { regression } from './regression/panels'

/** The parts of the working that are a way's own, in the order in which they stand; most ways need none. */
type WayPanels<Name extends string> = Readonly<Partial<Record<Name, readonly Panel[]>>>

const DECOMPOSITIONS: WayPanels<DecompositionName> = {
  iterated: [
    {
      needs: 'result',
      component: later(() => import('./iterated/RoundsDiagnosis.vue')),
      shows: ({ stage }) => stage === 'season',
    },
  ],
}

const FORECASTS: WayPanels<ForecastName> = {
  regression,
  combination: [
    {
      needs: 'result',
      component: later(() => import('./combination/MemberWorking.vue')),
      shows: ({ column }) => column !== undefined && memberNamed(column) !== null,
    },
  ],
  arima: [
    {
      needs: 'result',
      component: later(() => import('./arima/ForecastModel.vue')),
      shows: ({ stage }) => stage === 'trend',
    },
  ],
  smoothing: [
    {
      needs: 'result',
      component: later(() => import('./smoothing/SmoothingReport.vue')),
      shows: ({ stage }) => stage === 'trend',
    },
  ],
}

const TRENDS: WayPanels<TrendWayName> = {
  'least-squares': [
    {
      needs: 'result',
      component: later(() => import('./leastSquares/TrendReport.vue')),
      shows: showsTrend,
    },
  ],
  smoothed: [
    {
      needs: 'result',
      component: later(() => import('./smoothedTrend/SmoothedTrend.vue')),
      shows: showsTrend,
    },
  ],
  arima: [
    {
      needs: 'result',
      component: later(() => import('./arima/TrendModel.vue')),
      shows: showsTrend,
    },
  ],
}

/** Rows that the trend makes, at whatever stage they are selected. */
const TREND_ROWS: readonly (string | undefined)[] = [
  'trend',
  'trendLevel',
  'trendSlope',
  'trendSurprise',
]

/** The trend of the decomposition, where the forecast makes something of it or its own row is selected. */
function showsTrend({ stage, column }: At, { method }: Result): boolean {
  const { extendsTrend, fitsTrend, hasOwnTrend } = forecastWayOf(method.forecast.by)
  if (stage === 'trend') return !hasOwnTrend || TREND_ROWS.includes(column)
  if (extendsTrend && column === 'forecastDeseasonalized') return true
  return TREND_ROWS.includes(column) && !fitsTrend
}

/** The parts that are a way of forecasting's own. */
export function panelsOfForecast(by: ForecastName): readonly Panel[] {
  return FORECASTS[by] ?? []
}

/** The parts of the working of the ways of a result: of decomposing, then of forecasting, then of the trend. */
export function panelsOfWays({ method: { decompose, forecast, trend } }: Result): readonly Panel[] {
  return [
    ...(DECOMPOSITIONS[decompose.by] ?? []),
    ...panelsOfForecast(forecast.by),
    ...(TRENDS[trendWayOf(trend.form).name] ?? []),
  ]
}
