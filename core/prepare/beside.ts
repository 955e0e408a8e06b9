import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import { designCalendar } from '../regression/designCalendar'
import { powersOfTime, type DesignColumn } from '../regression/design'
import { seasonColumns } from '../regression/regressors/seasonForms'
import { TIME_CODE } from '../regression/timeVariable'
import { TREND_FORMS } from '../trend/forms'
import { trendWayOf, type TrendOptions } from '../trend/ways'

/**
 * The columns of trend and season that a preparation is estimated beside: the trend of the method, powers of time first, a
 * straight line where it follows the values and has none; and dummies of the seasons.
 *
 * @param start the period of time code 1
 */
export function columnsBeside(
  trend: TrendOptions,
  calendar: Calendar,
  start: Period,
): DesignColumn[] {
  const line = TREND_FORMS[trend.form].follows
    ? powersOfTime(1, TIME_CODE)
    : trendWayOf(trend.form).design(trend, calendar, start)
  const season =
    calendar.seasons < 2
      ? []
      : seasonColumns({ form: 'dummies', base: 1 }, designCalendar(calendar, start))
  return [...line, ...season]
}
