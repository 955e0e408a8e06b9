import type { Calendar } from '../../calendar/calendar'
import { oneCycle, onePeriod } from '../../calendar/labels'
import { calendarOf, seasonsOf } from '../../calendar/calendar'

/** What a cycle is called: `week`, `year`, `day`; `30 days` where it has no name. */
export function cycleName({ frequency }: Pick<Calendar, 'frequency'>, length: number): string {
  return frequency !== 'seasons' && seasonsOf(frequency)!.includes(length)
    ? oneCycle(calendarOf(frequency, { seasons: length }))
    : `${length} ${onePeriod(calendarOf(frequency, { seasons: length }))}s`
}
