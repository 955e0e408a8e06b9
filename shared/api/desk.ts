import { z } from 'zod'
import { STAGES } from '../../core/stage'
import { averageSchema } from '../averageSchema'
import { methodSchema } from '../methodSchema'
import { adjustmentsSchema } from '../seriesSchema'
import { aboutSchema } from './series'

/** Steps that are kept for undo; older ones fall away. */
export const MOST_STEPS = 200
/** Methods that are pinned at the most. */
export const MOST_PINS = 4
/** Averages compared at the most, so that their lines can be told apart. */
export const MOST_AVERAGES = 4

/** All of a study that an analyst changes, and that undo brings back. */
export const studyContentSchema = z.strictObject({
  method: methodSchema,
  adjustments: adjustmentsSchema,
  about: aboutSchema,
  /** The vintage whose values are the series' present ones. */
  vintageId: z.uuid(),
})
export type StudyContent = z.infer<typeof studyContentSchema>

/** What a study was at one time. */
export const studyStepSchema = z.strictObject({
  /** Rises along the steps. */
  n: z.int().min(0),
  content: studyContentSchema,
})
export type StudyStep = z.infer<typeof studyStepSchema>

/** Steps that the server does not have yet, and the one that the study is at. */
export const trailSaveSchema = z.strictObject({
  steps: z.array(studyStepSchema).max(MOST_STEPS),
  at: z.int().min(0),
})
export type TrailSave = z.infer<typeof trailSaveSchema>

/** How the Bench of a study was left: none of it changes a result. */
export const benchViewSchema = z.strictObject({
  stage: z.enum(STAGES),
  folded: z.boolean(),
  /** The stretch of time on the screen, in time codes; null where the stage chose it. */
  window: z.strictObject({ from: z.number(), to: z.number() }).nullable(),
  /** Where series and forecast ended then: a window that went there goes to the new end. */
  end: z.number().optional(),
  /** The selected cell. */
  selected: z.strictObject({ column: z.string().max(100), t: z.int() }).nullable(),
  /** The season a folded year begins in; null for the series' own. */
  yearStart: z.int().min(1).max(1000).nullable().optional(),
  /** Seasons of the cycle that is folded by; null for the series' own. */
  foldCycle: z.int().min(2).max(1000).nullable().optional(),
  /** Averages compared at Smooth. */
  averages: z.array(averageSchema).max(MOST_AVERAGES),
  /** Methods that were pinned, the latest last. */
  pins: z.array(methodSchema).max(MOST_PINS),
})
export type BenchView = z.infer<typeof benchViewSchema>

/** What lies on the Bench beside a study. */
export const deskSchema = z.strictObject({
  steps: z.array(studyStepSchema),
  /** The step that the study was at; null for none. */
  at: z.int().nullable(),
  view: benchViewSchema.nullable(),
})
export type Desk = z.infer<typeof deskSchema>

/** null lays the Bench out as at first again. */
export const viewSaveSchema = z.strictObject({ view: benchViewSchema.nullable() })
