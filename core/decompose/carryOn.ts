import type { Model } from '../model'
import type { Stretch } from '../series/stretch'

/** The ways of forecasting that carry a series on before it is taken apart, by their names: forecasts lie above decompositions. */
export const CARRIERS = ['smoothing', 'arima'] as const
export type Carrier = (typeof CARRIERS)[number]

/**
 * Carries a stretch on by a forecast of itself, so that averages at its end have something on either side.
 *
 * @param model whether the season multiplies
 * @returns so many values behind the last
 * @throws Refusal where such a forecast is refused
 */
export type CarryOn = (
  stretch: Stretch,
  by: Carrier,
  model: Model,
  periods: number,
) => readonly number[]
