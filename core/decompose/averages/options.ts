import { z } from 'zod'
import type { Model } from '../../model'
import { excludeOption, modelOption, type Exclusion, type Facts } from '../commonOptions'

/** The three ways to find what the season departs from. */
export const AVERAGES_WAYS = [
  'ratio-to-moving-average',
  'simple-averages',
  'ratio-to-trend',
] as const
export type AveragesName = (typeof AVERAGES_WAYS)[number]

/** How one season's values over the years become one index. */
export const INDEX_AVERAGES = ['mean', 'median', 'trimmed-mean'] as const
export type IndexAverage = (typeof INDEX_AVERAGES)[number]

/** Decomposition by averages, as a person or a script writes it. */
export const averagesDocument = z.strictObject({
  by: z.enum(AVERAGES_WAYS),
  model: modelOption,
  average: z.enum(INDEX_AVERAGES).optional(),
  adjust: z.boolean().optional(),
  exclude: excludeOption,
})
export type AveragesDocument = z.infer<typeof averagesDocument>

/** The same, complete. */
export interface AveragesOptions {
  readonly by: AveragesName
  readonly model: Model
  readonly average: IndexAverage
  /** Adjust the indices to average 1 or sum to 0. */
  readonly adjust: boolean
  readonly exclude: readonly Exclusion[]
}

/** Fills in the defaults: indices by mean, adjusted. */
export function completeAverages(
  { by, model, average = 'mean', adjust = true, exclude = [] }: AveragesDocument,
  facts: Facts,
): AveragesOptions {
  return { by, model: model ?? facts.model, average, adjust, exclude }
}
