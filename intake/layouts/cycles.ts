import { calendarOf, type Calendar } from '../../core/calendar/calendar'
import { seasonLabel } from '../../core/calendar/labels'
import type { Period } from '../../core/calendar/period'
import { parsePeriod } from '../../core/calendar/codes'
import { countUp, textAt, widthOf, type Row } from '../grid'
import { Unreadable, whole, type Inquiry } from '../inquiry'
import { readSeason, statedYear, type SeasonReading } from '../periods/seasonText'
import { headingOf } from './columnTexts'
import { isCoarser, mainKind } from './mainSeasons'
import { addsUpBefore, figureColumns } from './sumRows'
import { QUARTER_HEADING, TOTAL, TOTAL_END, YEAR_HEADING } from './words'

/** Months or quarters that run through the year again and again, without the year. */
export interface Cycle {
  readonly column: number
  readonly calendar: Calendar
  /** The season of the first row, 1..m. */
  readonly first: number
  /** The rows of its seasons, without those that add them up. */
  readonly data: readonly Row[]
}

const FREQUENCIES = { month: 'monthly', quarter: 'quarterly', 'half-year': 'half-yearly' } as const

/**
 * Finds a column of months, quarters or halves in which every row is the one after the row before, quarters, years and totals
 * among them left aside.
 *
 * @param data the rows with figures
 */
export function findCycle(rows: readonly Row[], data: readonly Row[]): Cycle | null {
  for (const column of countUp(widthOf(rows))) {
    const heading = headingOf(rows, column, (text) => readSeason(text) === null)
    const plain = QUARTER_HEADING.test(heading) ? 'quarter' : 'month'
    const isHeaded = plain === 'quarter' || /^(month|mo|mth|monat|mois|mes)s?$/i.test(heading)
    const read = (row: Row) => {
      const text = textAt(row, column)
      return /^\d+$/.test(text) && !isHeaded ? null : readSeason(text, plain)
    }
    const kind = mainKind(data.flatMap((row) => read(row) ?? []))
    if (kind !== 'month' && kind !== 'quarter' && kind !== 'half-year') continue
    const own = withoutSums(data, column, read, kind)
    const seasons = own.map(read)
    const calendar = calendarOf(FREQUENCIES[kind])
    const follows = seasons.every(
      (season, i) =>
        season?.kind === kind &&
        (i === 0 || season.at === (seasons[i - 1]!.at % calendar.seasons) + 1),
    )
    if (follows && own.length > 1) return { column, calendar, first: seasons[0]!.at, data: own }
  }
  return null
}

/** The rows of seasons, without those that are called what adds them up, or do so under a name of their own. */
function withoutSums(
  data: readonly Row[],
  column: number,
  read: (row: Row) => SeasonReading | null,
  kind: SeasonReading['kind'],
): Row[] {
  const own: Row[] = []
  for (const row of data) {
    if (addsUp(textAt(row, column), kind)) continue
    if (read(row)?.kind !== kind && addsUpBefore(row, own, figureColumns(row, [column]))) continue
    own.push(row)
  }
  return own
}

/** Whether a row among seasons is called what adds them up: a quarter among months, a year, a total. */
function addsUp(text: string, kind: SeasonReading['kind']): boolean {
  const isTotal = TOTAL.test(text) || TOTAL_END.test(text)
  return isTotal || YEAR_HEADING.test(text) || statedYear(text) !== null || isCoarser(text, kind)
}

/**
 * The first period of a cycle, whose year is asked for.
 *
 * @param above the year that stands above the table, which is taken until told otherwise; null where none does
 * @throws Waiting for the year
 * @throws Unreadable for an answer that is no year, or another season than that of the first row
 */
export function startOfCycle(
  { calendar, first }: Cycle,
  above: number | null,
  inquiry: Inquiry,
): Period {
  const label = seasonLabel(first, calendar)
  const stated = inquiry
    .ask({
      id: 'start',
      ask: `The rows begin with ${label}, without a year. Which year is that? It is written 2021; 1 counts the years from there.`,
      options: [],
      ...(above === null ? {} : { otherwise: String(above) }),
    })
    .trim()
  if (/^\d{1,4}$/.test(stated) && Number(stated) > 0)
    return { cycle: Number(stated), season: first }
  const start = parsePeriod(stated, calendar)
  if (start?.season === first) return start
  throw new Unreadable([
    whole(`"${stated}" is no year for the first row, which is ${label}; a year is written 2021.`),
  ])
}
