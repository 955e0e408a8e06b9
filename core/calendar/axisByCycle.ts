import { axisOf, type Axis } from './axis'
import { calendarOf, hasTradingDays, seasonsOf, type Calendar } from './calendar'
import { parsePeriod } from './codes'

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
  if (otherCycles(calendar).includes(length)) {
    const other = calendarOf(calendar.frequency, { seasons: length })
    // The same periods, so the same codes; their seasons alone are others.
    return axisOf({ calendar: other, start: parsePeriod(axis.codeAt(1), other)! })
  }
  return axisOf({
    calendar: calendarOf('seasons', { seasons: length }),
    start: { cycle: 1, season: 1 },
  })
}

/**
 * The other cycles that a calendar has for the very same periods, by their seasons.
 *
 * @example of days by the week: 365; of months: none; of trading days, which leave periods out: none
 */
export function otherCycles(calendar: Calendar): number[] {
  const { frequency, seasons } = calendar
  const all = seasonsOf(frequency) ?? []
  return all.filter(
    (length) =>
      length !== seasons &&
      !hasTradingDays(calendar) &&
      !hasTradingDays({ ...calendar, seasons: length }),
  )
}
