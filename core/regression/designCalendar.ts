import type { Calendar } from '../calendar/calendar'
import { seasonLabel } from '../calendar/labels'
import { axisOf } from '../calendar/axis'
import type { Period } from '../calendar/period'
import type { DesignCalendar } from './design'

/**
 * How the designs of a series find seasons and the names of periods.
 *
 * @param start the period of time code 1
 */
export function designCalendar(calendar: Calendar, start: Period): DesignCalendar {
  const { seasonOf, label } = axisOf({ calendar, start })
  return {
    ...{ seasons: calendar.seasons, seasonOf, periodLabel: label },
    seasonLabel: (season) => seasonLabel(season, calendar),
  }
}
