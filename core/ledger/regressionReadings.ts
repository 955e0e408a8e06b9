import type { RegressionReadings } from '../forecast/reading'
import { forecastWayOf } from '../forecast/ways'
import type { Result } from '../result'
import { calendarOfResult, startOfResult } from './calendarOfResult'

/** The coefficients of a result's forecast in words; null where it is made without any. */
export function regressionReadings(result: Result): RegressionReadings | null {
  const { method, series, regression: report } = result
  const { readings } = forecastWayOf(method.forecast.by)
  if (!readings) return null
  return readings(method.forecast, report, {
    trend: method.trend,
    calendar: calendarOfResult(result),
    start: startOfResult(result),
    unit: series.unit,
    noun: series.noun,
  })
}
