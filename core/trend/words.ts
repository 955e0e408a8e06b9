import type { Calendar } from '../calendar/calendar'
import { countPeriods, periodLabel } from '../calendar/labels'
import { parsePeriod } from '../calendar/period'
import { TREND_FORMS } from './forms'
import type { BreakAt } from './document'
import type { TrendOptions } from './options'
import { SLOPE_SAYS } from './smoothed/slope'

/** `a straight line through the last 60 months` */
export function trendWords(trend: TrendOptions, calendar: Calendar): string {
  const { says } = TREND_FORMS[trend.form]
  const slope = trend.form === 'smoothed' ? ` ${SLOPE_SAYS[trend.smoothing].text}` : ''
  const breaks = trend.breaks ? ` at ${breakWords(trend.breaks, calendar)}` : ''
  const last =
    trend.last === undefined ? '' : ` through the last ${countPeriods(trend.last, calendar)}`
  return `${says}${slope}${breaks}${last}${trend.time === 'days' ? ', in days' : ''}`
}

/** `Jun 2019`, `Jun 2019 and Mar 2022`, `4 periods` */
export function breakWords(breaks: readonly BreakAt[], calendar: Calendar): string {
  const labels = breaks.map(({ period }) => periodLabel(parsePeriod(period, calendar)!, calendar))
  return labels.length > 2 ? countPeriods(labels.length, calendar) : labels.join(' and ')
}
