import { dayNumber, isoWeekOf, monthOf, type PeriodReading } from './periodReading'

/** Reads one day or month, in any spelling. */
type ReadOne = (text: string) => PeriodReading | null
type Day = PeriodReading & { kind: 'day' }

/** `w/e 10/01/2021`, `Week of 4 Jan 2021`, `Quarter ended 31 March 2021`: a period said by one of its ends. */
const SAID_BY_AN_END =
  /^(?:(?<week>w\/?[ec]|w\.[ec]\.?|week|wk)|(?:the )?(?:month|quarter|qtr|half[- ]year|year|period|(?:three|3|six|6|twelve|12)[- ]months?))(?: (?<edge>ending|ended|end|to|commencing|beginning|starting|of|from))?:? +(?<date>\S.*)$/i
const BEGINS = /^(w\/?c|w\.c\.?)$|^(commencing|beginning|starting|of|from)$/i
/** Between the first day and the last: a word, or a dash with spaces before one without. */
const BETWEEN = [/ (?:to|until|through|thru|bis|au|al?) /gi, / [-–—] /g, /\//g, /[-–—]/g]
/** Days of a week that is worked, at the least. */
const SHORTEST_WEEK = 5

/**
 * Reads a period that is said by its first and last day, or by one of them.
 *
 * A week is the ISO week that its middle day lies in, so that it belongs to the month of most of its days.
 *
 * @param one reads each of the days
 * @returns null for a span that is no week, month, quarter, half-year or year
 * @example readRange('4 Jan - 10 Jan 2021', one) // { kind: 'week', year: 2021, week: 1 }
 */
export function readRange(text: string, one: ReadOne): PeriodReading | null {
  return readEnd(text, one) ?? readBoth(text, one)
}

function readEnd(text: string, one: ReadOne): PeriodReading | null {
  const { week, edge, date } = SAID_BY_AN_END.exec(text)?.groups ?? {}
  if (date === undefined || (!edge && !/^w[/.]?[ec]/i.test(week ?? ''))) return null
  const reading = one(date)
  if (!reading || week === undefined) return reading
  if (reading.kind !== 'day') return null
  return weekAround(daysOf(reading) + (BEGINS.test(edge ?? week) ? 3 : -3))
}

/**
 * The week that a day begins or ends, where the heading over it says so; any other day as it is.
 *
 * @example weekByHeading({ 10 Jan 2021 }, 'Week ending') // { kind: 'week', year: 2021, week: 1 }
 */
export function weekByHeading(reading: PeriodReading, heading: string): PeriodReading {
  const said =
    /^(?:w\/?(?<letter>[ec])|(?:week|wk)s? (?<edge>ending|ended|end|commencing|beginning|starting|of|from))\b/i
  const { letter, edge } = said.exec(heading.trim())?.groups ?? {}
  if (reading.kind !== 'day' || (!letter && !edge)) return reading
  const begins = edge ? BEGINS.test(edge) : letter!.toLowerCase() === 'c'
  return weekAround(daysOf(reading) + (begins ? 3 : -3))
}

function readBoth(text: string, one: ReadOne): PeriodReading | null {
  for (const separator of BETWEEN) {
    for (const match of text.matchAll(separator)) {
      const last = one(text.slice(match.index + match[0].length).trim())
      const first = last && readFirst(text.slice(0, match.index).trim(), last, one)
      const found = first && last && spanOf(first, last)
      if (found) return found
    }
  }
  return null
}

/** The first day, which may leave its year or its month to the last. */
function readFirst(text: string, last: PeriodReading, one: ReadOne): PeriodReading | null {
  const whole = one(text)
  if (whole) return whole
  if (last.kind !== 'day') return null
  if (/^\d{1,2}\.?$/.test(text)) return { ...last, day: parseInt(text, 10) }
  const ofYear = one(`${text} ${last.year}`) ?? one(`${text}, ${last.year}`)
  if (ofYear?.kind !== 'day') return null
  // 28 Dec – 3 Jan 2021 began the year before.
  return daysOf(ofYear) <= daysOf(last) ? ofYear : { ...ofYear, year: ofYear.year - 1 }
}

function spanOf(first: PeriodReading, last: PeriodReading): PeriodReading | null {
  if (first.kind === 'month' && last.kind === 'month') {
    return months(
      first.year,
      first.month,
      (last.year - first.year) * 12 + last.month - first.month + 1,
    )
  }
  if (first.kind !== 'day' || last.kind !== 'day') return null
  const length = daysOf(last) - daysOf(first) + 1
  if (length >= SHORTEST_WEEK && length <= 7) {
    return weekAround(daysOf(first) + Math.floor(length / 2))
  }
  const isLastOfMonth = last.day === new Date(Date.UTC(last.year, last.month, 0)).getUTCDate()
  if (first.day !== 1 || !isLastOfMonth) return null
  return months(
    first.year,
    first.month,
    (last.year - first.year) * 12 + last.month - first.month + 1,
  )
}

/** So many months from one on, where they are a period of the calendar. */
function months(year: number, first: number, count: number): PeriodReading | null {
  if (count === 1) return monthOf(year, first)
  if (count === 3 && first % 3 === 1) return { kind: 'quarter', year, quarter: (first + 2) / 3 }
  if (count === 6 && first % 6 === 1) return { kind: 'half-year', year, half: (first + 5) / 6 }
  return count === 12 && first === 1 ? { kind: 'year', year } : null
}

function daysOf({ year, month, day }: Day): number {
  return dayNumber(year, month, day)
}

function weekAround(day: number): PeriodReading {
  return { kind: 'week', ...isoWeekOf(day) }
}
