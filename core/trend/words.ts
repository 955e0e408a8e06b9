import type { Calendar } from '../calendar/calendar'
import { countPeriods } from '../calendar/labels'
import { piecesText } from '../word'
import { TREND_FORMS } from './forms'
import { trendWayOf, type TrendOptions } from './ways'

/** `a straight line through the last 60 months` */
export function trendWords(trend: TrendOptions, calendar: Calendar): string {
  const { says } = TREND_FORMS[trend.form]
  const own = piecesText(trendWayOf(trend.form).words(trend, calendar))
  const last =
    trend.last === undefined ? '' : ` through the last ${countPeriods(trend.last, calendar)}`
  return `${says}${own}${last}${trend.time === 'days' ? ', in days' : ''}`
}
