import { formatPeriod } from '../core/calendar/codes'
import { readFile } from './readFile'
import type { Answers, Reading } from './reading'

/** For tests of the reader: a file as text, and what is read in it, short enough to be compared. */

export const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')

/** A season and a rise, in whole numbers that no sum of a few others is. */
export const sales = (i: number) =>
  1000 + 10 * i + [0, 90, 40, 160, 120, 210, 170, 260, 140, 80, 110, 30][i % 12]!

export const values = (count: number) => Array.from({ length: count }, (_, i) => sales(i))

/** Rows of a file, `2021-01` on from a year, beside what is made of the number of each. */
export function monthRows(
  count: number,
  cells: (i: number) => readonly unknown[],
  from = 2021,
): unknown[][] {
  return Array.from({ length: count }, (_, i) => [
    `${from + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
    ...cells(i),
  ])
}

export const lines = (rows: readonly (readonly unknown[])[]) =>
  rows.map((cells) => cells.join(',')).join('\n')

export function read(file: string | Uint8Array, answers: Answers = {}): Reading {
  return readFile(typeof file === 'string' ? new TextEncoder().encode(file) : file, answers)
}

/** The series by name, with where each begins and all its values. */
export function seriesOf(
  file: string | Uint8Array,
  answers: Answers = {},
): Record<string, [string, ...(number | null)[]]> {
  const reading = read(file, answers)
  if (reading.outcome !== 'ok') {
    throw new Error(JSON.stringify(reading.questions.filter(({ answer }) => answer === null)))
  }
  return Object.fromEntries(
    reading.series.map(({ series }) => [
      series.name,
      [formatPeriod(series.start, series.calendar), ...series.values],
    ]),
  )
}

/** The questions that wait for an answer. */
export function asked(file: string | Uint8Array): string[] {
  return read(file)
    .questions.filter(({ answer }) => answer === null)
    .map(({ id }) => id)
}

/** The questions that have one until told otherwise, with it. */
export function taken(file: string | Uint8Array): Record<string, string> {
  return Object.fromEntries(
    read(file).questions.flatMap(({ id, answer }) => (answer === null ? [] : [[id, answer]])),
  )
}
