import { textAt, widthOf, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import { DATE_HEADING } from '../layouts/words'

/** Seconds since 1970 of the years 1980 to 2100. */
const SECONDS = { from: 315_532_800, to: 4_102_444_800 }
const DAY = 86_400
/** Moments that somebody chose, and no clock, lie on a quarter of an hour. */
const CHOSEN = 900
/** A column is one of moments when at least this share of its cells is, its heading aside. */
const MOSTLY = 0.8
/** Cells among which there is a moment, in a column of them. */
const FIRST_TEXTS = 200
/** Rows that may be a heading of periods. */
const FIRST_ROWS = 20
const HEADING = new RegExp(`${DATE_HEADING.source}|^ts$|epoch|unix`, 'i')
/** Midnights east of Greenwich lie late in the evening before. */
const EVENING = 12 * 3600

/**
 * Writes out moments as days: seconds and milliseconds since 1970, and times that are said in UTC, where all are the midnight of
 * one place. 2020-12-31T23:00Z is the first of January in much of Europe; taken as it stands, a month would be called by the one
 * before.
 *
 * @returns the rows, the column or row of moments written out; the same rows where there is none
 * @throws Waiting for an answer
 */
export function writeOutMoments(rows: readonly Row[], inquiry: Inquiry): readonly Row[] {
  for (let column = 0; column < Math.min(10, widthOf(rows)); column++) {
    const texts = rows.map((row) => textAt(row, column))
    const isHeaded = texts.slice(0, 20).some((text) => HEADING.test(text))
    const days = writtenOut(texts, isHeaded || column === 0 ? { isHeaded } : null, inquiry)
    if (!days) continue
    return rows.map((row, at) =>
      days[at] === undefined ? row : { ...row, cells: row.cells.with(column, days[at]) },
    )
  }
  // Where periods run across, they are a row of the first ones.
  for (const [at, row] of rows.slice(0, FIRST_ROWS).entries()) {
    const texts = row.cells.map(String)
    const days = texts.length > 3 ? writtenOut(texts, { isHeaded: false }, inquiry) : null
    if (days) return rows.with(at, { ...row, cells: row.cells.map((cell, i) => days[i] ?? cell) })
  }
  return rows
}

/**
 * The days of moments that follow one another in a column or row.
 *
 * @param counts whether numbers can be moments, and whether a heading says so; null where they cannot
 * @returns an entry for each text, undefined where it is no moment; null where they are not moments
 */
function writtenOut(
  texts: readonly string[],
  counts: { readonly isHeaded: boolean } | null,
  inquiry: Inquiry,
): (string | undefined)[] | null {
  const first = texts.slice(0, FIRST_TEXTS)
  if (!first.some((text) => countedSeconds(text, true) !== null || utcSeconds(text) !== null))
    return null
  const counted = texts.map((text) => (counts ? countedSeconds(text, counts.isHeaded) : null))
  const isCount = areMostly(texts, counted)
  const seconds = isCount ? counted : texts.map(utcSeconds)
  if (!areMostly(texts, seconds)) return null
  const present = seconds.filter((moment) => moment !== null)
  const times = new Set(present.map((moment) => moment % DAY))
  const isLate = times.size <= 2 && [...times].every((time) => time > EVENING)
  if (!isCount && !isLate) return null
  const example = texts[seconds.findIndex((moment) => moment !== null)]!
  const shift = isLate && isNextDay(example, present[0]!, times.size === 2, inquiry) ? DAY : 0
  // Where days have hours, the rows of a day stay apart.
  const length = times.size > 2 ? 16 : 10
  return seconds.map((moment) =>
    moment === null ? undefined : new Date((moment + shift) * 1000).toISOString().slice(0, length),
  )
}

function areMostly(texts: readonly string[], seconds: readonly (number | null)[]): boolean {
  const first = seconds.findIndex((moment) => moment !== null)
  const filled = texts.filter((text, at) => at >= first && text !== '').length
  const count = seconds.filter((moment) => moment !== null).length
  return first >= 0 && count >= 2 && count >= MOSTLY * filled
}

/** `1609459200` or `1609459200000`; null for a number that is no moment. */
function countedSeconds(text: string, isHeaded: boolean): number | null {
  if (!/^\d{9,10}$|^\d{12,13}$/.test(text)) return null
  const seconds = text.length >= 12 ? Number(text) / 1000 : Number(text)
  if (seconds < SECONDS.from || seconds > SECONDS.to) return null
  return isHeaded || seconds % CHOSEN === 0 ? seconds : null
}

/** A time that is said in UTC, in seconds since 1970. */
function utcSeconds(text: string): number | null {
  const match =
    /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?) ?(?:Z|UTC|GMT|\+00:?00)$/.exec(text)
  const time = match && Date.parse(`${match[1]}T${match[2]}Z`)
  return time === null || Number.isNaN(time) ? null : time / 1000
}

/** @param moment the first, in seconds since 1970, written as the example */
function isNextDay(example: string, moment: number, areTwo: boolean, inquiry: Inquiry): boolean {
  const day = (seconds: number) => new Date(seconds * 1000).toISOString().slice(0, 10)
  const time = new Date(moment * 1000).toISOString().slice(11, 16)
  const answer = inquiry.ask({
    id: 'midnight',
    ask: `All times are ${time} in UTC${areTwo ? ' or an hour beside it, as summer time changes' : ''}. Are they the midnight of a place further east?`,
    options: [
      { value: 'next', consequence: `Yes: ${example} is ${day(moment + DAY)}.` },
      { value: 'same', consequence: `No: ${example} is ${day(moment)}.` },
    ],
    // Two times an hour apart are those of winter and summer.
    ...(areTwo ? { otherwise: 'next' } : {}),
  })
  return answer === 'next'
}
