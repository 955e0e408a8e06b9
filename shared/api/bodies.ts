import { beginRunSchema, changeRunSchema, seenSchema } from './catalogue'
import { viewSaveSchema } from './desk'
import { agreeSchema } from './kept'
import { givenKeySchema } from './key'
import { reportChoicesSchema } from './report'
import {
  changeSeriesSchema,
  exportForecastsSchema,
  exportRequestSchema,
  updateSeriesSchema,
} from './series'
import { heldContestSchema, newStudySchema, renameStudySchema, saveStudySchema } from './studies'
import type { z } from 'zod'

/** What requests are made of, by name: a long one is read on another thread, which is told by its name what to read. */
export const BODIES = {
  agree: agreeSchema,
  beginRun: beginRunSchema,
  changeRun: changeRunSchema,
  seen: seenSchema,
  change: changeSeriesSchema,
  contest: heldContestSchema,
  export: exportRequestSchema,
  exportForecasts: exportForecastsSchema,
  key: givenKeySchema,
  newStudy: newStudySchema,
  report: reportChoicesSchema,
  renameStudy: renameStudySchema,
  study: saveStudySchema,
  update: updateSeriesSchema,
  view: viewSaveSchema,
} as const

export type BodyName = keyof typeof BODIES
export type BodyOf<Name extends BodyName> = z.infer<(typeof BODIES)[Name]>
