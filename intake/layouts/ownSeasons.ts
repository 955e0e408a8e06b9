import { countUp, textAt, widthOf, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { PeriodReading } from '../periods/periodReading'
import { headingOf } from './columnTexts'
import type { PeriodColumns } from './observations'

/** The heading of a column of names that part a year. */
const SEASON_HEADING = /season|saison|jahreszeit|temporada|estaci[oó]n|term\b|semester|trimester/i
const MOST_SEASONS = 13

/**
 * Years beside a column of seasons with names of their own (dry and wet, high and low): the periods are both together, in the
 * order in which the names follow one another in the rows.
 *
 * @returns what was found, or years with their seasons
 * @throws Waiting for an answer
 */
export function withOwnSeasons(
  rows: readonly Row[],
  found: PeriodColumns,
  inquiry: Inquiry,
): PeriodColumns {
  const data = countUp(rows.length).filter((at) => found.readings[at] !== null)
  if (found.columns.length !== 1 || data.some((at) => found.readings[at]!.kind !== 'year'))
    return found
  for (const column of countUp(widthOf(rows))) {
    const names = found.columns.includes(column) ? null : namesIn(rows, data, column)
    const heading = headingOf(rows, column, (text) => !names?.includes(text))
    if (!names || !SEASON_HEADING.test(heading)) continue
    const list = names.map((name) => `"${name}"`).join(', ')
    const answer = inquiry.ask({
      id: 'own-seasons',
      ask: `Are ${list} the seasons of a year, in this order?`,
      options: [
        {
          value: 'seasons',
          consequence: `Yes: a year has ${names.length} values, ${names[0]} first.`,
        },
        { value: 'series', consequence: 'No: each is a series of its own, with a value a year.' },
      ],
      otherwise: 'seasons',
    })
    if (answer === 'series') return found
    return {
      columns: [...found.columns, column],
      readings: found.readings.map((reading, at): PeriodReading | null => {
        const season = names.indexOf(textAt(rows[at]!, column)) + 1
        if (!reading || season === 0) return null
        return { kind: 'season', year: reading.year, season, of: names.length, names }
      }),
    }
  }
  return found
}

/** The names of a column, in their order, where each comes again in most years; null for any other column. */
function namesIn(
  rows: readonly Row[],
  data: readonly number[],
  column: number,
): readonly string[] | null {
  const texts = data.map((at) => textAt(rows[at]!, column))
  const names = [...new Set(texts)]
  if (names.length < 2 || names.length > MOST_SEASONS) return null
  if (names.some((name) => !/\p{L}/u.test(name))) return null
  return names.every((name) => texts.filter((text) => text === name).length >= 2) ? names : null
}
