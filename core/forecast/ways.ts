import type { DecompositionForecast } from './byDecomposition/calculate'
import type { ByDecompositionOptions } from './byDecomposition/options'
import { byDecomposition } from './byDecomposition/way'
import type { ForecastWay } from './way'

/** Every way of forecasting. */
export const FORECAST_WAYS = [byDecomposition] as const

/** The options of a forecast, complete; `by` names the way. */
export type ForecastOptions = ByDecompositionOptions
/** What a forecast comes to. */
export type Ahead = DecompositionForecast

/** The way that is taken when none is named. */
export const DEFAULT_FORECAST = byDecomposition.name

/** The way of a name. */
export function forecastWayOf(by: ForecastOptions['by']): ForecastWay<ForecastOptions, Ahead> {
  return FORECAST_WAYS.find(({ name }) => name === by)!
}
