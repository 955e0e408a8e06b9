import { oneCycle } from './calendar/labels'
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

function uncapitalizedName(method: MemberMethod, calendar: Calendar): string {
  const { decompose } = method
  const way = wayOf(decompose.by)
  const says = way.says(calendar, decompose.model).text
  const apart = way.distinguishes?.(decompose) || null
  return forecastName(
    method,
    calendar,
    [says, decompose.model, ...(apart ? [apart] : [])].join(', '),
  )
}

/**
 * How a method forecasts.
 *
 * @param decomposition how the values are decomposed, said first where the forecast is made of that; empty to leave it out
 * @example `a straight line through the last 36 months`
 */
export function forecastName(
  { forecast, trend }: MemberMethod,
  calendar: Calendar,
  decomposition: string,
): string {
  const options = forecast as ForecastOptions
  const name = forecastWayOf(options.by).label(options, {
    decomposition,
    trend: trendWords(trend, calendar),
    cycle: oneCycle(calendar),
    nameOf: (member) => uncapitalizedName(member, calendar),
  })
  return name.replace(/^; /, '')
}
