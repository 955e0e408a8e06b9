import { z } from 'zod'
import { calendarOf, type Calendar } from '../../core/calendar/calendar'
import type { Period } from '../../core/calendar/period'
import { Refusal } from '../../core/refusal'
import type { Series } from '../../core/series/series'

/** The first period, by its calendar year. */
export const startInput = z
  .object({ year: z.int(), season: z.int().min(1) })
  .transform(({ year, season }): Period => ({ cycle: year, season }))

/** The part of every `calc` input that describes its series. */
export const seriesInput = z.object({
  unit: z.string().default('units'),
  m: z.int().min(1).max(1000),
  start: startInput,
  y: z.array(z.number().nullable()),
})
export type SeriesInput = z.infer<typeof seriesInput>

const BY_SEASONS: Record<number, Calendar['frequency']> = {
  1: 'yearly',
  2: 'half-yearly',
  4: 'quarterly',
  12: 'monthly',
}

/** The series an input describes, with the calendar its number of seasons stands for. */
export function seriesOf(input: SeriesInput, yearStart = 1): Series {
  if (input.start.season > input.m) {
    throw new Refusal(`start.season is ${input.start.season}, and a year has ${input.m}.`, 'start')
  }
  return {
    name: 'series',
    unit: input.unit,
    calendar: calendarOf(BY_SEASONS[input.m] ?? 'seasons', { seasons: input.m, yearStart }),
    start: input.start,
    values: input.y,
  }
}

/** Reads an input by its schema; what does not fit is a refusal that says where. */
export function readInput<T>(schema: z.ZodType<T>, input: unknown): T {
  const read = schema.safeParse(input)
  if (read.success) return read.data
  const issue = read.error.issues[0]!
  throw new Refusal(issue.message, issue.path.join('.') || 'input')
}
