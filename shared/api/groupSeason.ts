import type { GroupSeason } from '../../core/groupSeason/groupSeason'
import { lineSchema } from '../seriesSchema'
import { chosenSchema } from './sums'
import type { z } from 'zod'

export const groupSeasonRequestSchema = chosenSchema.extend({
  /** What the group is called where its indices are said to come from. */
  called: lineSchema.min(1, 'A group of series needs a name.').max(200),
})
export type GroupSeasonRequest = z.infer<typeof groupSeasonRequestSchema>

/** The season of a group, with the series and the study of each row. */
export interface TriedGroupSeason extends GroupSeason {
  readonly studies: readonly { readonly seriesId: string; readonly studyId: string }[]
}
