import { axisOf } from '../calendar/axis'
import { exampleCode } from '../calendar/codes'
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
  const { calendar } = series
  const t = axisOf(series).tOfCode(code)
  if (t === null) {
    throw new Refusal(
      `"${code}" is not a period of this series; periods are written ${exampleCode(calendar)}.`,
      where,
    )
  }
  if (t < 1) throw outside(series, code, where)
  return t
}

function outside(series: Series, code: string, where: string): Refusal {
  const { label, tOfCode } = axisOf(series)
  return new Refusal(
    `${label(tOfCode(code)!)} lies outside the series, which runs from ${label(1)} to ${label(series.values.length)}.`,
    where,
  )
}
