import { calendarOf } from '../../core/calendar/calendar'
import { seasonLabel } from '../../core/calendar/labels'
import { textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { PeriodReading } from '../periods/periodReading'
import { headingOf } from './columnTexts'
import type { PeriodColumns } from './observations'
import { FISCAL_HEADING } from './words'

/**
 * Periods of a fiscal year, where a heading says so or the rows of a year run over a year's end.
 *
 * @throws Waiting for the year that such rows are called after
 */
export function withFiscalYears(
  rows: readonly Row[],
  found: PeriodColumns,
  inquiry: Inquiry,
): PeriodColumns {
  const first = found.readings.findIndex((reading) => reading !== null)
  const isHeaded = found.columns.some((column) => {
    const texts = rows.slice(0, Math.max(first, 0))
    return FISCAL_HEADING.test(headingOf(texts, column, () => true))
  })
  if (!isHeaded) return overYearsEnd(found, inquiry)
  return {
    ...found,
    readings: found.readings.map((reading, at) => {
      const season = textAt(rows[at]!, found.columns.at(-1)!)
      return reading && fiscalOf(reading, /\p{L}{3}/u.test(season))
    }),
  }
}

/** @param isNamed whether the month is called by its name, and so is one of the calendar */
function fiscalOf(reading: PeriodReading, isNamed: boolean): PeriodReading {
  if (reading.kind === 'quarter') {
    return { kind: 'fiscal', year: reading.year, period: reading.quarter, of: 4 }
  }
  if (reading.kind !== 'month') return reading
  const of = isNamed ? 'months' : 12
  return { kind: 'fiscal', year: reading.year, period: reading.month, of }
}

/** Rows of a year that run from July to June: it is asked which year the second half lies in. */
function overYearsEnd(found: PeriodColumns, inquiry: Inquiry): PeriodColumns {
  const months = found.readings.flatMap((reading) => (reading?.kind === 'month' ? [reading] : []))
  const count = found.readings.filter((reading) => reading !== null).length
  if (found.columns.length !== 2 || months.length < count || months.length < 12) return found
  const follows = months.every((month, i) => {
    const before = months[i - 1]
    return !before || month.month === (before.month % 12) + 1
  })
  const turns = months.filter((month, i) => i > 0 && month.year !== months[i - 1]!.year)
  const begin = turns[0]?.month ?? 1
  if (!follows || begin === 1 || turns.some(({ month }) => month !== begin)) return found
  const name = seasonLabel(begin, calendarOf('monthly'))
  const { year } = turns[0]!
  const answer = inquiry.ask({
    id: 'year-of-rows',
    ask: `The rows of a year run from ${name} on into the next. Which year is ${year}?`,
    options: [
      { value: 'begins', consequence: `That in which it begins: its ${name} is of ${year}.` },
      { value: 'ends', consequence: `That in which it ends: its ${name} is of ${year - 1}.` },
    ],
  })
  const shift = answer === 'begins' ? 0 : -1
  return {
    ...found,
    readings: found.readings.map((reading) =>
      reading?.kind === 'month'
        ? { ...reading, year: reading.year + shift + (reading.month < begin ? 1 : 0) }
        : reading,
    ),
  }
}
