import { totalsByQuarter, totalsByYear, type Total, type Totalled } from '../forecast/totals'
import type { Result } from '../result'
import { calendarOfResult, startOfResult } from './calendarOfResult'

/** Totals of years, or of quarters. */
export interface TotalsBy {
  readonly by: 'year' | 'quarter'
  readonly rows: readonly Total[]
}

/** What the values and a forecast after them are totalled from. */
export function totalledOf(result: Result, forecast = result.forecast.forecast): Totalled {
  const { columns, series } = result
  return {
    calendar: calendarOfResult(result),
    start: startOfResult(result),
    firstT: columns.t[0]!,
    values: columns.value,
    forecast,
    quantity: series.quantity,
  }
}

/** Totals by year and by quarter, those that there are. */
export function totalsOf(result: Result, forecast = result.forecast.forecast): TotalsBy[] {
  const of = totalledOf(result, forecast)
  const all: TotalsBy[] = [
    { by: 'year', rows: totalsByYear(of) },
    { by: 'quarter', rows: totalsByQuarter(of) },
  ]
  return all.filter(({ rows }) => rows.length > 0)
}
