import { axisOf } from '../calendar/axis'
import { orNull } from '../refusal'
import { adjustedValues } from '../series/adjusted'
import type { Series, Value } from '../series/series'
import type { CatalogueForecast } from './row'

/** The newest value of a series beside what had been forecast of it before it came. */
export interface LastAgainst {
  /** Code of its period. */
  readonly period: string
  readonly actual: number
  readonly forecast: number
  /** How far the value is over the forecast, in per cent of it; null where that is not above 0. */
  readonly percent: Value
  /** Whether it lies within the widest limits; null without any. */
  readonly isWithin: boolean | null
}

/**
 * The newest value beside the forecast of a series that was made before that value came.
 *
 * @param before what had been forecast of it
 * @returns null where the forecast says nothing of that period: it was made of the same values
 * @example 110 of what was forecast as 100: 10% over
 */
export function lastAgainst(series: Series, before: CatalogueForecast): LastAgainst | null {
  const values = orNull(() => adjustedValues(series)) ?? series.values
  const last = values.findLastIndex((value) => value !== null)
  if (last < 0) return null
  const period = axisOf(series).codeAt(last + 1)
  const at = before.period.indexOf(period)
  const forecast = before.forecast[at]
  if (forecast === undefined) return null
  const actual = values[last]!
  const levels = Object.keys(before.limits).sort((a, b) => Number(b) - Number(a))
  const [widest] = levels.map((level) => before.limits[level]!)
  const [lower, upper] = [widest?.lower[at] ?? null, widest?.upper[at] ?? null]
  return {
    ...{ period, actual, forecast },
    percent: forecast > 0 ? 100 * (actual / forecast - 1) : null,
    isWithin: lower === null || upper === null ? null : actual >= lower && actual <= upper,
  }
}
