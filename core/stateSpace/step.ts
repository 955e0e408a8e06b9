import type { Value } from '../series/series'
import type { SmoothingForm, Weights } from './forms'

/** What a smoothing knows at one moment. */
export interface States {
  readonly level: number
  /** Slope, or factor of growth; 0 without a trend. */
  readonly trend: number
  /** Of the season that the next period uses; of no meaning without one. */
  readonly season: number
}

/** One step of a smoothing: what it says of a period before its value is known, and what it knows after. */
export interface Step extends States {
  readonly fitted: number
}

/**
 * One step of exponential smoothing, which is all that it is: everything else that walks through values or ahead of them
 * does the same, and is held to it by a test over all forms.
 *
 * @param before states at the end of the period before
 * @param value null where it is missing, or has not come yet: the states move on as if the forecast had come true
 * @see Holt (1957), reprinted 2004, International Journal of Forecasting 20; Winters (1960), Management Science 6
 * @example level 19 + slope 2, α = 0.5, β = 0.4, value 24: fitted 21, level 22.5, slope 2.6
 */
export function step(
  { trend: kind, season: seasonal }: SmoothingForm,
  { alpha = 0, beta = 0, gamma = 0, phi = 1 }: Weights,
  before: States,
  value: Value,
): Step {
  const { level, trend, season } = before
  const grows = kind === 'multiplicative'
  const base = kind === 'damped' ? phi * trend : trend
  const reached = grows ? level * trend : kind === 'none' ? level : level + base
  const fitted =
    seasonal === 'none' ? reached : seasonal === 'additive' ? reached + season : reached * season
  if (value === null) return { fitted, level: reached, trend: grows ? trend : base, season }
  const own =
    seasonal === 'none' ? value : seasonal === 'additive' ? value - season : value / season
  const next = alpha * own + (1 - alpha) * reached
  const moved = grows ? next / level : next - level
  const departs = seasonal === 'multiplicative' ? value / next : value - next
  return {
    fitted,
    level: next,
    trend: kind === 'none' ? 0 : beta * moved + (1 - beta) * (grows ? trend : base),
    season: seasonal === 'none' ? season : gamma * departs + (1 - gamma) * season,
  }
}
