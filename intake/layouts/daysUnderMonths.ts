import { textAt, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { yearOf } from '../periods/periodReading'
import { yearStatedAbove } from './statedAbove'

/** A month has so many days at the least. */
const FEWEST = 28

/** Whether a column counts the days of a month from the first on: rows 1 to 31 under the names of months. */
export function countsDays(body: readonly Row[], column: number): boolean {
  const texts = body.map((row) => textAt(row, column)).filter((text) => text !== '')
  const days = texts.filter((text) => /^\d{1,2}\.?$/.test(text)).map((text) => parseInt(text, 10))
  return days.length >= FEWEST && days.length <= 31 && days.every((day, i) => day === i + 1)
}

/**
 * The year of days under months, which their table does not say.
 *
 * @param above the rows over the table
 * @throws Waiting for the year, where it stands nowhere
 * @throws Unreadable for an answer that is no year
 */
export function yearOfDays(above: readonly Row[], inquiry: Inquiry): number {
  const stated = yearStatedAbove(above)
  const answer = inquiry.ask({
    id: 'start',
    ask: 'The rows are days of the months above them, without a year. Which year is that? It is written 2021.',
    options: [],
    ...(stated === null ? {} : { otherwise: String(stated) }),
  })
  const year = /^\d{4}$/.test(answer.trim()) ? yearOf(answer.trim()) : null
  if (year === null) {
    throw new Unreadable([whole(`"${answer}" is no year for the days; it is written 2021.`)])
  }
  return year
}
