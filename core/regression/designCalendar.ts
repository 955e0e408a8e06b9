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
  const { seasons } = calendar
  return {
    seasons,
    // Asked for every column at every period, so it makes no object.
    seasonOf: (t) => ((((start.season - 2 + t) % seasons) + seasons) % seasons) + 1,
    seasonLabel: (season) => seasonLabel(season, calendar),
    periodLabel: axisOf({ calendar, start }).label,
  }
}
