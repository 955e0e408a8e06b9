import { textAt, type Row } from '../grid'
import { yearOf, type PeriodReading } from '../periods/periodReading'
import { headingOf } from './columnTexts'
import type { PeriodColumns } from './observations'
import { WEEK_HEADING } from './words'

/** Rows among which the heading is. */
const FIRST_ROWS = 30
/** A column is one of weeks when at least this share of its cells below the heading is. */
const MOSTLY = 0.8

/**
 * Finds a column of years with the numbers of weeks (`202105`, `2021-05`, `5/2021`), which only its heading tells from months.
 */
export function findNumberedWeeks(
  rows: readonly Row[],
  candidates: readonly number[],
): PeriodColumns | null {
  for (const column of candidates) {
    const heading = headingOf(rows.slice(0, FIRST_ROWS), column, (text) => weekIn(text) === null)
    if (!WEEK_HEADING.test(heading) && !/^(year ?week|yw|jahrkw)/i.test(heading)) continue
    const readings = rows.map((row) => weekIn(textAt(row, column)))
    const first = readings.findIndex((reading) => reading !== null)
    const filled = rows.filter((row, at) => at >= first && textAt(row, column) !== '').length
    const count = readings.filter((reading) => reading !== null).length
    if (count >= 2 && count >= MOSTLY * filled) return { columns: [column], readings }
  }
  return null
}

function weekIn(text: string): PeriodReading | null {
  const match = /^(?<y>\d{4})[-/. ]?(?<w>\d{1,2})$|^(?<w2>\d{1,2})[-/.](?<y2>\d{4})$/.exec(text)
  const { y, w, y2, w2 } = match?.groups ?? {}
  const [year, week] = [yearOf(y ?? y2 ?? ''), Number(w ?? w2)]
  return year === null || week < 1 || week > 53 ? null : { kind: 'week', year, week }
}
