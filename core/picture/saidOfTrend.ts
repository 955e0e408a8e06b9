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
