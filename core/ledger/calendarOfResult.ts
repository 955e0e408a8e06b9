import type { CycleName } from '../calendar/rhythm'
import { oneCycle } from '../calendar/labels'
import { calendarOf, type Calendar } from '../calendar/calendar'
import { parsePeriod } from '../calendar/codes'
import type { Period } from '../calendar/period'
import type { Looked } from '../result'

/** The calendar that a result document was made with. */
export function calendarOfResult({ series }: Pick<Looked, 'series'>): Calendar {
  return calendarOf(series.frequency, series)
}

/** What one turn of the seasons is. */
export function cycleOfResult(result: Pick<Looked, 'series'>): CycleName {
  return oneCycle(calendarOfResult(result))
}

/** The period of time code 1. */
export function startOfResult(result: Pick<Looked, 'series'>): Period {
  return parsePeriod(result.series.start, calendarOfResult(result))!
}
