import { formatPeriod, periodAt } from './calendar/period'
import { Refusal } from './refusal'
import type { Series } from './series'

/** Beyond this the square of a value, which every regression forms, is no longer a number. */
const LARGEST = 1e100

/**
 * Checks what no calculation can do without: finite values of a size that can be squared.
 *
 * @throws Refusal naming the first offending period
 */
export function requireUsable(series: Series): void {
  const at = series.values.findIndex((value) => value !== null && !(Math.abs(value) <= LARGEST))
  if (at < 0) return
  const period = periodAt(series.start, at + 1, series.calendar.seasons)
  throw new Refusal(
    `The value ${series.values[at]} is too large to calculate with (more than 1e100 in size).`,
    formatPeriod(period, series.calendar),
    { t: at + 1, ...period },
  )
}
