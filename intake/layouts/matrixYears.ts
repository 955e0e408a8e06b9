import { calendarOf } from '../../core/calendar/calendar'
import { periodLabel } from '../../core/calendar/labels'
import { countUp, textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { PeriodReading } from '../periods/periodReading'
import {
  countedYear,
  inYear,
  statedYear,
  type SeasonReading,
  type StatedYear,
} from '../periods/seasonText'
import { FISCAL_HEADING, TOTAL } from './words'
import { isCounted } from './yearAndSeason'

/**
 * What a season in a row of a year is. Where the columns run on into a next January, as in a fiscal year, it is asked which year
 * the rows are called after, unless they name both.
 */
export function yearsOf(
  seasons: ReadonlyMap<number, SeasonReading>,
  body: readonly Row[],
  inquiry: Inquiry,
): (season: SeasonReading, year: StatedYear) => PeriodReading {
  const order = [...seasons.values()].map(({ at }) => at)
  const turn = order.findIndex((at, i) => i > 0 && at < order[i - 1]!)
  const [first] = order
  const isWrapped =
    turn > 0 &&
    [...seasons.values()].every(({ kind }) => kind === 'month') &&
    order.slice(turn).every((at, i, rest) => at < first! && (i === 0 || at > rest[i - 1]!))
  if (!isWrapped) return (season, year) => inYear(year, season)
  const namesBoth = body.some((row) =>
    row.cells.some((_, column) => statedYear(textAt(row, column))?.isFiscal),
  )
  const month = (at: number) =>
    periodLabel({ cycle: 0, season: at }, calendarOf('monthly')).slice(0, 3)
  const example = body
    .flatMap((row) => row.cells.map((_, column) => statedYear(textAt(row, column))?.year ?? 0))
    .find((year) => year > 0)
  const answer = namesBoth
    ? 'ends'
    : inquiry.ask({
        id: 'year-of-columns',
        ask: `The columns run from ${month(first!)} on into the next ${month(order[turn]!)}. Which year is ${example}?`,
        options: [
          { value: 'begins', consequence: `That in which it begins: ${month(first!)} ${example}.` },
          {
            value: 'ends',
            consequence: `That in which it ends: it begins in ${month(first!)} ${(example ?? 1) - 1}.`,
          },
          {
            value: 'calendar',
            consequence: `All its months are of ${example}; they are only placed so.`,
          },
        ],
      })
  return (season, { year, isFiscal }) => {
    const isAfter = season.at < first!
    const own = { year, isFiscal: false }
    if (answer === 'calendar') return inYear(own, season)
    const begins = answer === 'begins' && !(namesBoth && isFiscal) ? year : year - 1
    return inYear({ ...own, year: isAfter ? begins + 1 : begins }, season)
  }
}

/** How the years beside seasons are written: as they are, or counted from the first; fiscal ones where their heading says so. */
export function stubYears(
  body: readonly Row[],
  firstColumn: number,
  heading: Row,
): (text: string) => StatedYear | null {
  const isCount = countUp(firstColumn).some((column) => {
    const texts = body.map((row) => textAt(row, column)).filter((text) => text !== '')
    return isCounted(texts.filter((text) => !TOTAL.test(text)))
  })
  const isFiscal = heading.cells
    .slice(0, firstColumn)
    .some((cell) => FISCAL_HEADING.test(String(cell)))
  return (text) => {
    const stated = statedYear(text)
    if (stated) return isFiscal ? { ...stated, isFiscal } : stated
    return isCount ? countedYear(text) : null
  }
}
