import { z } from 'zod'
import { contestSchema } from '../contestSchema'
import { methodSchema } from '../methodSchema'
import { adjustmentsSchema, seriesDocumentSchema } from '../seriesSchema'
import { aboutSchema, sourceSchema } from './series'

/** A series with a method, as the Bench opens it. */
export const studySchema = z.strictObject({
  id: z.uuid(),
  seriesId: z.uuid(),
  series: seriesDocumentSchema,
  about: aboutSchema,
  source: sourceSchema,
  method: methodSchema,
  /** Rises with every save; a save must name the version it started from. */
  version: z.int().min(1),
  updatedAt: z.iso.datetime(),
})
export type Study = z.infer<typeof studySchema>

export const saveStudySchema = z.strictObject({
  method: methodSchema,
  /** Every adjustment of the series; those it has are kept when left out. */
  adjustments: adjustmentsSchema.optional(),
  /** Stays as it is when left out. */
  about: aboutSchema.optional(),
  version: z.int().min(1),
})
export type StudySave = z.infer<typeof saveStudySchema>

export const analysisRequestSchema = z.strictObject({
  series: seriesDocumentSchema,
  method: methodSchema,
})

/** A contest with what it was held over: another series, other candidates, and it says nothing any more. */
export const heldContestSchema = z.strictObject({
  /** Digest of the values, the method's span and fillings, and the candidates. */
  of: z.string().regex(/^[0-9a-f]{64}$/, 'A digest of 64 hexadecimal digits.'),
  contest: contestSchema,
})
export type HeldContest = z.infer<typeof heldContestSchema>
export const keptContestSchema = z.strictObject({ held: heldContestSchema.nullable() })
export type KeptContest = z.infer<typeof keptContestSchema>
