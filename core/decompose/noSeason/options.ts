import { z } from 'zod'
import { Refusal } from '../../refusal'
import type { Model } from '../../model'
import { modelOption, type Facts } from '../commonOptions'

/** Orders that make sense: two terms at the least. */
export const LEAST_ORDER = 2
export const MOST_ORDER = 1000

/** A series taken to have no season, as a person or a script writes it. */
export const noSeasonDocument = z.strictObject({
  by: z.literal('none'),
  model: modelOption,
  order: z.int().min(LEAST_ORDER).max(MOST_ORDER).optional(),
})
export type NoSeasonDocument = z.infer<typeof noSeasonDocument>

/** The same, complete. */
export interface NoSeasonOptions {
  readonly by: 'none'
  readonly model: Model
  /** Terms of the moving average that is the trend-cycle. */
  readonly order: number
}

/** Terms of the average of a yearly series. */
const YEARLY_ORDER = 5

/** Fills in the defaults: an average of one year of periods, of five for a yearly series. */
export function completeNoSeason(
  { by, model, order }: NoSeasonDocument,
  facts: Facts,
): NoSeasonOptions {
  if (order !== undefined && order > facts.periods) {
    throw new Refusal(
      `An average of ${order} terms is longer than the ${facts.periods} periods that are analysed.`,
      'decompose.order',
    )
  }
  return {
    by,
    model: model ?? facts.model,
    order: order ?? (facts.seasons < 2 ? YEARLY_ORDER : facts.seasons),
  }
}
