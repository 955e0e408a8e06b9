import { axisOf, type Axis } from '../../calendar/axis'
import { calendarOf, hasTradingDays, seasonsOf, type Calendar } from '../../calendar/calendar'
import { parsePeriod } from '../../calendar/codes'
import { seasonLabel } from '../../calendar/labels'
import type { Stretch } from '../../series/stretch'

/**
 * The axis of a series counted in another cycle: days by the year in place of the week, or by any length, from its first period on.
 *
 * @param length seasons in the cycle
 * @example of days by 365: season 59 is 28 February, and 29 February too
 * @example of days by 30: seasons 1 to 30, begun with time code 1
 */
export function axisByCycle(axis: Axis, length: number): Axis {
  const { calendar } = axis
  if (length === calendar.seasons) return axis
  const { frequency } = calendar
  if (
    frequency !== 'seasons' &&
    seasonsOf(frequency)!.includes(length) &&
    !skipsDays(calendar, length)
  ) {
    const other = calendarOf(frequency, { seasons: length })
    // The same periods, so the same codes; their seasons alone are others.
    return axisOf({ calendar: other, start: parsePeriod(axis.codeAt(1), other)! })
  }
  return axisOf({
    calendar: calendarOf('seasons', { seasons: length }),
    start: { cycle: 1, season: 1 },
  })
}

/** Whether one of the cycles has trading days alone and the other every day, so that they have other periods. */
function skipsDays(calendar: Calendar, length: number): boolean {
  return hasTradingDays(calendar) || hasTradingDays({ ...calendar, seasons: length })
}

/** A stretch with the seasons of another cycle. */
export function stretchByCycle(stretch: Stretch, length: number): Stretch {
  const axis = axisByCycle(stretch.axis, length)
  const { calendar, seasonOf } = axis
  return {
    ...stretch,
    ...{ calendar, axis },
    seasonOf: stretch.values.map((_, i) => seasonOf(stretch.firstT + i)),
    seasonName: (season) => seasonLabel(season, calendar),
  }
}
