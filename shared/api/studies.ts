import { z } from 'zod'
import { contestSchema } from '../contestSchema'
import { methodSchema } from '../methodSchema'
import { workedSchema } from './catalogue'
import { adjustmentsSchema, lineSchema, seriesDocumentSchema } from '../seriesSchema'
import { derivedSchema } from './derived'
import { trailSaveSchema } from './desk'
import { aboutSchema, sourceSchema } from './series'

/** A series with a method, as the Bench opens it. */
export const studySchema = z.strictObject({
  id: z.uuid(),
  seriesId: z.uuid(),
  series: seriesDocumentSchema,
  about: aboutSchema,
  /** The vintage whose values the series has. */
  vintageId: z.uuid(),
  source: sourceSchema,
  /** What the series is calculated from; left out for one that came in. */
  derived: derivedSchema.optional(),
  /** What came of the series when it was last worked through; left out for one that never was. */
  worked: workedSchema.optional(),
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
  /** Values that the series had before or has; stays as it is when left out. */
  vintageId: z.uuid().optional(),
  /** What undo goes back over. */
  trail: trailSaveSchema.optional(),
  version: z.int().min(1),
})
export type StudySave = z.infer<typeof saveStudySchema>

const studyName = lineSchema.max(80)
/** A further study of a series. */
export const newStudySchema = z.strictObject({ name: studyName, method: methodSchema })
export type NewStudy = z.infer<typeof newStudySchema>
export const renameStudySchema = z.strictObject({ name: studyName })

/** A study as a tab beside the name of its series. */
export const studyTabSchema = z.strictObject({
  id: z.uuid(),
  /** Empty where what differs is to name it. */
  name: z.string(),
  method: methodSchema,
  /** Whether it opens with the series. */
  opensFirst: z.boolean(),
})
export type StudyTab = z.infer<typeof studyTabSchema>
export const studyTabsSchema = z.strictObject({ studies: z.array(studyTabSchema) })

export const analysisRequestSchema = z.strictObject({
  series: seriesDocumentSchema,
  method: methodSchema,
})

/** A series whose beginning is asked for. */
export const beginRequestSchema = z.strictObject({ series: seriesDocumentSchema })

/** A contest with what it was held over: another series, other candidates, and it says nothing any more. */
export const heldContestSchema = z.strictObject({
  /** Digest of the values, the method's span and fillings, and the candidates. */
  of: z.string().regex(/^[0-9a-f]{64}$/, 'A digest of 64 hexadecimal digits.'),
  contest: contestSchema,
})
export type HeldContest = z.infer<typeof heldContestSchema>
export const keptContestSchema = z.strictObject({ held: heldContestSchema.nullable() })
export type KeptContest = z.infer<typeof keptContestSchema>
