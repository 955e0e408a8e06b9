import { forecastWayOf } from '../forecast/ways'
import { traitsOf } from '../decompose/ways'
import { onePeriod } from '../calendar/labels'
import { calendarOfResult } from '../ledger/calendarOfResult'
import type { Result } from '../result'
import type { TrendSaid } from '../trend/said'
import { trendWayOf } from '../trend/ways'
import type { ReadersFigures } from '../words/readersFigures'

/** What the way of a trend says of it. */
export function saidOfTrend(result: Result, says: ReadersFigures): TrendSaid {
  const { trendFit, series, method } = result
  const told = {
    hasSeason: traitsOf(method.decompose).hasSeason,
    unit: series.unit,
    per: onePeriod(calendarOfResult(result)),
  }
  return trendWayOf(trendFit.form).said(trendFit, told, says)
}

/** What a way of forecasting says of a model of its own; null where it has none. */
export function saidOfForecast(result: Result, says: ReadersFigures): TrendSaid | null {
  const { forecast, method, regression: report } = result
  return forecastWayOf(method.forecast.by).said?.(forecast, report, says) ?? null
}
