import { z } from 'zod'
import type { AddedUp } from '../../core/addingUp/addUp'
import { lineSchema } from '../seriesSchema'

/** Series that are worked on together, at the most: a forecast of each from a dozen origins has to be waited for. */
export const MOST_TOGETHER = 2000

/** Series by their ids, or those of a group and of the groups in it; all on the shelf where neither is said. */
export const chosenSchema = z.strictObject({
  ids: z.array(z.uuid()).min(2, 'It takes two series.').max(MOST_TOGETHER).optional(),
  group: lineSchema.max(200).optional(),
})
export type Chosen = z.infer<typeof chosenSchema>

/** The study that opens with a series, as it was added up; its version null where it waited for its beginning. */
export interface AddedStudy {
  readonly seriesId: string
  readonly studyId: string
  readonly version: number | null
}

/** Series that were added up, with the study that opens with each, by their places in `series` of the nodes. */
export interface AddedSeries extends AddedUp {
  readonly studies: readonly AddedStudy[]
}
