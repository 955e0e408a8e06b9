import { z } from 'zod'
import { calendarOf, FREQUENCIES, seasonsOf } from '../core/calendar/calendar'
import { adjustedValues } from '../core/series/adjusted'
import { exampleCode, formatPeriod, parsePeriod } from '../core/calendar/codes'
import { Refusal } from '../core/refusal'
import { QUANTITIES } from '../core/series/quantity'
import type { Series } from '../core/series/series'
import { visibleText } from './visibleText'

export const LONGEST_NAME = 10_000
export const MOST_PERIODS = 20_000

/** A line of text in which everything can be seen. */
export const lineSchema = z.string().overwrite(visibleText).trim()
export const nameSchema = lineSchema.min(1, 'A series needs a name.').max(LONGEST_NAME)
export const unitSchema = lineSchema.max(200)
export const nounSchema = lineSchema.max(60)

const adjustmentSchema = z.strictObject({
  /** Period code. */
  period: z.string().min(1).max(20),
  /** Null leaves the value out. */
  value: z.number().nullable(),
  reason: lineSchema.min(1, 'An adjustment needs a reason.').max(500),
})
export const adjustmentsSchema = z.array(adjustmentSchema).max(MOST_PERIODS)

/**
 * A series as a document: `{"name","unit","frequency":"monthly","start":"2019-01","values":[…]}`,
 * with `"frequency":"seasons","seasons":7` for any other number of seasons; `daily` has 7 or, with
 * `"seasons":365`, the days of the year, or 6 or 5 on trading days alone, Monday to Saturday or Friday, and `hourly` 24 or 168.
 */
export const seriesDocumentSchema = z.strictObject({
  name: nameSchema.default('series'),
  unit: unitSchema.default('units'),
  noun: nounSchema.optional(),
  /** Whether values add up over time, which they do when it is left out. */
  quantity: z.enum(QUANTITIES).optional(),
  frequency: z.enum(FREQUENCIES),
  seasons: z.int().min(2).max(1000).optional(),
  yearStart: z.int().min(1).max(1000).optional(),
  /** What the seasons are called, where not by their number. */
  seasonNames: z.array(lineSchema.min(1).max(60)).max(1000).optional(),
  start: z.string().min(1).max(20),
  values: z.array(z.number().nullable()).min(1).max(MOST_PERIODS),
  adjustments: adjustmentsSchema.optional(),
})
export type SeriesDocument = z.infer<typeof seriesDocumentSchema>

/**
 * The series a document describes.
 *
 * @throws Refusal for a number of seasons, a start of the year or a start that do not fit
 *   the frequency, and for an adjustment of a period that the series does not have
 */
export function seriesFromDocument(document: SeriesDocument): Series {
  const { name, unit, noun, quantity, frequency, seasons, yearStart, seasonNames, values } =
    document
  const { adjustments = [] } = document
  const own = seasonsOf(frequency)
  if (own && seasons !== undefined && !own.includes(seasons)) {
    throw new Refusal(
      own.length > 1
        ? `A ${frequency} series has ${own.join(' or ')} seasons, not ${seasons}.`
        : `A ${frequency} series has ${own[0]} seasons a year, not ${seasons}.`,
      'seasons',
    )
  }
  let calendar
  try {
    calendar = calendarOf(frequency, {
      ...(seasons === undefined ? {} : { seasons }),
      ...(yearStart === undefined ? {} : { yearStart }),
      ...(seasonNames === undefined ? {} : { seasonNames }),
    })
  } catch (error) {
    throw new Refusal((error as RangeError).message, 'seasons')
  }
  const start = parsePeriod(document.start, calendar)
  if (!start) {
    throw new Refusal(
      `"${document.start}" is not a period; with the frequency ${frequency} one is written ${exampleCode(calendar)}.`,
      'start',
    )
  }
  const series = { name, unit, noun, quantity, calendar, start, values, adjustments }
  adjustedValues(series)
  return series
}

/** The document of a series. */
export function documentFromSeries({
  name,
  unit,
  noun,
  quantity,
  calendar,
  start,
  values,
  adjustments = [],
}: Series): SeriesDocument {
  return {
    name,
    unit,
    ...(noun ? { noun } : {}),
    ...(quantity === 'level' ? { quantity } : {}),
    frequency: calendar.frequency,
    ...(calendar.seasons === seasonsOf(calendar.frequency)?.[0]
      ? {}
      : { seasons: calendar.seasons }),
    ...(calendar.yearStart === 1 ? {} : { yearStart: calendar.yearStart }),
    ...(calendar.seasonNames ? { seasonNames: [...calendar.seasonNames] } : {}),
    start: formatPeriod(start, calendar),
    values: [...values],
    ...(adjustments.length === 0 ? {} : { adjustments: [...adjustments] }),
  }
}
