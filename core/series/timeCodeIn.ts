import { periodLabel } from '../calendar/labels'
import { exampleCode, parsePeriod, periodAt, timeCodeOf } from '../calendar/period'
import { Refusal } from '../refusal'
import type { Series } from './series'

/**
 * The time code of a period that a document names by its code.
 *
 * @param where path of the code in its document, for the refusal
 * @throws Refusal for a code of another calendar, and for a period outside the series
 * @example timeCodeIn(a series from 2019-01, '2019-03', 'span.from') // 3
 */
export function timeCodeIn(series: Series, code: string, where: string): number {
  const t = timeCodeFrom(series, code, where)
  if (t > series.values.length) throw outside(series, code, where)
  return t
}

/**
 * The same of a period that may lie ahead, as an event does that is planned.
 *
 * @throws Refusal for a code of another calendar, and for a period before the series
 */
export function timeCodeFrom(series: Series, code: string, where: string): number {
  const { calendar, start } = series
  const period = parsePeriod(code, calendar)
  if (!period) {
    throw new Refusal(
      `"${code}" is not a period of this series; periods are written ${exampleCode(calendar)}.`,
      where,
    )
  }
  const t = timeCodeOf(start, period, calendar.seasons)
  if (t < 1) throw outside(series, code, where)
  return t
}

function outside({ calendar, start, values }: Series, code: string, where: string): Refusal {
  const label = (at: number) => periodLabel(periodAt(start, at, calendar.seasons), calendar)
  return new Refusal(
    `${periodLabel(parsePeriod(code, calendar)!, calendar)} lies outside the series, which runs from ${label(1)} to ${label(values.length)}.`,
    where,
  )
}
