import { Refusal } from '../../core/refusal'
import { readPeriod } from '../periods/periodText'
import type { DayOrder } from '../periods/periodReading'
import { inOrder, writtenDay } from './namedDates'

/** Between dates in one line: a comma that is followed by a space and a word belongs to `May 1, 2024`. */
const BETWEEN = /[\n\r;\t]+|,\s*(?=\d{1,4}[-/.])|\s+(?=\d{4}-\d{2}-\d{2}\b)/

/**
 * Dates as they are typed or pasted: one a line, or several divided by commas, semicolons or tabs, in any usual spelling.
 *
 * Which number of `3/1/2021` is the day is told by those that can be read one way only; the day where none tells.
 *
 * @throws Refusal for the first that is no day
 * @example typedDates('1 May 2024; 2025-05-01') // ['2024-05-01', '2025-05-01']
 */
export function typedDates(text: string): string[] {
  const cells = text
    .split(BETWEEN)
    .map((cell) => cell.trim())
    .filter((cell) => cell !== '')
  const order: DayOrder = cells.every((cell) => dayIn(cell, 'day-first') !== null)
    ? 'day-first'
    : 'month-first'
  return inOrder(
    cells.map((cell) => {
      const day = dayIn(cell, order)
      if (day !== null) return day
      throw new Refusal(
        `"${cell.slice(0, 40)}" is no day. Write one a line, such as 2024-05-01 or 1 May 2024.`,
        'dates',
      )
    }),
  )
}

function dayIn(cell: string, order: DayOrder): string | null {
  const read = readPeriod(cell, order)
  return read?.kind === 'day' ? writtenDay(read.year, read.month, read.day) : null
}
