import { z } from 'zod'
import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import { INDEX_AVERAGES, type IndexAverage } from '../seasonalIndices'
import { excludeOption, modelOption, type Exclusion, type Facts } from '../commonOptions'
import { requireUsableGiven, type GivenIndices } from './given'

/** The three ways to find what the season departs from. */
export const AVERAGES_WAYS = [
  'ratio-to-moving-average',
  'simple-averages',
  'ratio-to-trend',
] as const
export type AveragesName = (typeof AVERAGES_WAYS)[number]

/** More seasons than any calendar has. */
const MOST_SEASONS = 1000

/** Indices from elsewhere, and where that is. */
const givenOption = z
  .strictObject({
    given: z.array(z.number()).min(2).max(MOST_SEASONS).readonly(),
    source: z.string().trim().min(1).max(200),
  })
  .readonly()
  .optional()

/** Decomposition by averages, as a person or a script writes it. */
export const averagesDocument = z.strictObject({
  by: z.enum(AVERAGES_WAYS),
  model: modelOption,
  average: z.enum(INDEX_AVERAGES).optional(),
  adjust: z.boolean().optional(),
  exclude: excludeOption,
  indices: givenOption,
})
export type AveragesDocument = z.infer<typeof averagesDocument>

interface Common {
  readonly by: AveragesName
  readonly model: Model
  /** Adjust the indices to average 1 or sum to 0. */
  readonly adjust: boolean
}
/** Indices that are averages of this series, some of its values left out. */
interface AveragedOptions extends Common {
  readonly average: IndexAverage
  readonly exclude: readonly Exclusion[]
}
/** Indices from elsewhere: nothing is averaged, so nothing is left out. */
interface GivenOptions extends Common {
  readonly indices: GivenIndices
}
/** The same, complete. */
export type AveragesOptions = AveragedOptions | GivenOptions

/** Whether the indices are given in place of averages of the series. */
export function areGiven(options: AveragesOptions): options is GivenOptions {
  return 'indices' in options
}

/**
 * Fills in the defaults: indices by mean, adjusted.
 *
 * @throws Refusal for given indices that are no season's, and for choices that they leave nothing to do
 */
export function completeAverages(
  { by, average, adjust = true, exclude, indices, ...document }: AveragesDocument,
  facts: Facts,
): AveragesOptions {
  const model = document.model ?? facts.model
  if (!indices) return { by, model, adjust, average: average ?? 'mean', exclude: exclude ?? [] }
  requireNothingToAverage(average, exclude)
  requireUsableGiven(indices, model, facts.seasons)
  return { by, model, adjust, indices }
}

/** @throws Refusal for a choice about averages where none is formed: it would do nothing without a word */
function requireNothingToAverage(
  average: IndexAverage | undefined,
  exclude: readonly Exclusion[] | undefined,
): void {
  if (average !== undefined) {
    throw new Refusal(
      'Indices that are given are no averages of this series. Take out average, or the indices.',
      'decompose.average',
    )
  }
  if (exclude && exclude.length > 0) {
    throw new Refusal(
      'Indices that are given rest on no value of this series, so none can be left out of them. Take out exclude, or the indices.',
      'decompose.exclude',
    )
  }
}
