import type { Calendar } from '../../calendar/calendar'
import { oneCycle, onePeriod } from '../../calendar/labels'
import { usualSeasons } from './options'
import { calendarOf, seasonsOf } from '../../calendar/calendar'

/** What a cycle is called: `week`, `year`, `day`; `30 days` where it has no name. */
export function cycleName(
  calendar: Pick<Calendar, 'frequency' | 'seasons'>,
  length: number,
): string {
  const { frequency } = calendar
  if (usualSeasons(calendar)?.[1] === length && frequency === 'daily') return 'year'
  return frequency !== 'seasons' && seasonsOf(frequency)!.includes(length)
    ? oneCycle(calendarOf(frequency, { seasons: length }))
    : `${length} ${onePeriod(calendarOf(frequency, calendar))}s`
}
