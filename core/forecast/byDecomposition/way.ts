import type { ForecastWay } from '../way'
import { forecastByDecomposition, type DecompositionForecast } from './calculate'
import { columnsOfForecast } from './columns'
import { findingsOfForecast } from './findings'
import type { ByDecompositionOptions } from './options'

/** The trend of the deseasonalized series extended, and the season put back. */
export const byDecomposition = {
  name: 'decomposition',
  forecast: forecastByDecomposition,
  columns: columnsOfForecast,
  findings: findingsOfForecast,
} as const satisfies ForecastWay<ByDecompositionOptions, DecompositionForecast>
