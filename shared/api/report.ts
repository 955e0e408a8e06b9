import { z } from 'zod'
import {
  LENGTHS,
  MOST_SERIES,
  PART_NAMES,
  PLACES,
  USUAL_REPORT,
  type ReportChoices,
} from '../../handover/report/choices'
import { wellFormed } from '../visibleText'

/** Letters that a paragraph of a report has at the most. */
export const MOST_LETTERS = 4000

const paragraphSchema = z.string().overwrite(wellFormed).max(MOST_LETTERS)

/** What the analyst chose for the report of a study; what is left out is as usual. */
export const reportChoicesSchema = z.strictObject({
  length: z.enum(LENGTHS).default(USUAL_REPORT.length),
  without: z.array(z.enum(PART_NAMES)).max(PART_NAMES.length).default([]),
  paragraphs: z.partialRecord(z.enum(PLACES), paragraphSchema).default({}),
}) satisfies z.ZodType<ReportChoices>

/** Series that are to be reported on together. */
export const reportRequestSchema = z.strictObject({
  ids: z.array(z.uuid()).min(1).max(MOST_SERIES),
  length: z.enum(LENGTHS),
  /** Whether it says of each why it is to be looked at, as the last run found. */
  reasons: z.boolean().default(false),
  /** What figures are written like, such as `de-DE`; as whoever runs the server writes them when left out. */
  locale: z.string().refine(isLocale, 'Not a language tag, such as de-DE.').optional(),
  /** The day as the reader writes it. */
  date: z.string().max(40),
})
export type ReportRequest = z.infer<typeof reportRequestSchema>

function isLocale(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1
  } catch {
    return false
  }
}
