import type { Calendar } from './calendar/calendar'
import { wayOf } from './decompose/ways'
import { forecastWayOf, type ForecastOptions } from './forecast/ways'
import type { MemberMethod } from './forecast/member'
import { capitalized } from './series/noun'
import { trendWords } from './trend/words'

/** A method in a few words: `Ratio to a 2×12 moving average, multiplicative; a straight line through the last 36 months`. */
export function methodName(method: MemberMethod, calendar: Calendar): string {
  return capitalized(uncapitalizedName(method, calendar))
}

function uncapitalizedName(
  { decompose, forecast, trend }: MemberMethod,
  calendar: Calendar,
): string {
  const way = wayOf(decompose.by)
  const says = way.says(calendar, decompose.model).text
  const apart = way.distinguishes?.(decompose) || null
  const options = forecast as ForecastOptions
  return forecastWayOf(options.by).label(options, {
    decomposition: [says, decompose.model, ...(apart ? [apart] : [])].join(', '),
    trend: trendWords(trend, calendar),
    nameOf: (member) => uncapitalizedName(member, calendar),
  })
}
