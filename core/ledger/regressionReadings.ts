import { designOfRegression } from '../forecast/regression/design'
import { readingsOf, seasonReadings, type Reading } from '../forecast/regression/readings'
import type { Result } from '../result'
import { calendarOfResult, startOfResult } from './calendarOfResult'

/** What a regression says, in words. */
export interface RegressionReadings {
  /** Every coefficient, in the order of the report. */
  readonly terms: readonly Reading[]
  /** Every season against the average one, season 1 first; none without a season. */
  readonly seasons: readonly string[]
}

/** The coefficients of a result's regression in words; null where the forecast is made without one. */
export function regressionReadings(result: Result): RegressionReadings | null {
  const { regression, method, series } = result
  const options = method.forecast
  if (!regression || !('indicators' in options)) return null
  const calendar = calendarOfResult(result)
  const told = {
    options,
    trend: method.trend,
    design: designOfRegression(options, method.trend, calendar, startOfResult(result)),
    calendar,
    unit: series.unit,
    noun: series.noun,
  }
  return { terms: readingsOf(regression, told), seasons: seasonReadings(regression, told) }
}
