import { calendarOf, type Calendar } from '../../core/calendar/calendar'
import { seasonLabel } from '../../core/calendar/labels'
import type { Period } from '../../core/calendar/period'
import { parsePeriod } from '../../core/calendar/period'
import { countUp, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { readSeason } from '../periods/seasonText'
import { headingOf } from './columnTexts'
import { QUARTER_HEADING } from './words'

/** Months or quarters that run through the year again and again, without the year. */
export interface Cycle {
  readonly column: number
  readonly calendar: Calendar
  /** The season of the first row, 1..m. */
  readonly first: number
}

const FREQUENCIES = { month: 'monthly', quarter: 'quarterly', 'half-year': 'half-yearly' } as const

/**
 * Finds a column of months, quarters or halves in which every row is the one after the row before.
 *
 * @param data the rows with figures
 */
export function findCycle(rows: readonly Row[], data: readonly Row[]): Cycle | null {
  for (const column of countUp(widthOf(rows))) {
    const heading = headingOf(rows, column, (text) => readSeason(text) === null)
    const plain = QUARTER_HEADING.test(heading) ? 'quarter' : 'month'
    const isHeaded = plain === 'quarter' || /^(month|mo|mth|monat|mois|mes)s?$/i.test(heading)
    const seasons = data.map((row) => {
      const text = textAt(row, column)
      return /^\d+$/.test(text) && !isHeaded ? null : readSeason(text, plain)
    })
    const kind = seasons[0]?.kind
    if (kind !== 'month' && kind !== 'quarter' && kind !== 'half-year') continue
    const calendar = calendarOf(FREQUENCIES[kind])
    const follows = seasons.every(
      (season, i) =>
        season?.kind === kind &&
        (i === 0 || season.at === (seasons[i - 1]!.at % calendar.seasons) + 1),
    )
    if (follows && data.length > 1) return { column, calendar, first: seasons[0]!.at }
  }
  return null
}

/**
 * The first period of a cycle, whose year is asked for.
 *
 * @throws Waiting for the year
 * @throws Unreadable for an answer that is no year, or another season than that of the first row
 */
export function startOfCycle({ calendar, first }: Cycle, inquiry: Inquiry): Period {
  const label = seasonLabel(first, calendar)
  const stated = inquiry
    .ask({
      id: 'start',
      ask: `The rows begin with ${label}, without a year. Which year is that? It is written 2021; 1 counts the years from there.`,
      options: [],
    })
    .trim()
  if (/^\d{1,4}$/.test(stated) && Number(stated) > 0) return { year: Number(stated), season: first }
  const start = parsePeriod(stated, calendar)
  if (start?.season === first) return start
  throw new Unreadable([
    whole(`"${stated}" is no year for the first row, which is ${label}; a year is written 2021.`),
  ])
}
