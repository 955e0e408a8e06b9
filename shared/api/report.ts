import { z } from 'zod'
import {
  LENGTHS,
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
