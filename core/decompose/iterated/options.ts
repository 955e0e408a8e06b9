import { z } from 'zod'
import type { Model } from '../../model'
import { CARRIERS, type Carrier } from '../carryOn'
import { modelOption, type Facts } from '../commonOptions'
import { USUAL_LIMITS, type IteratedOptions as Choices } from './adjustable'
import { requireFilter, requireLength, requireLimits } from './requirements'
import { SEASONAL_FILTERS, type SeasonalFilterName } from './seasonalFilters'

/** The filter is chosen by what is found. */
export const CHOSEN = 'auto'

/** Decomposition by iterated averages, as a person or a script writes it. */
export const iteratedDocument = z.strictObject({
  by: z.literal('iterated'),
  model: modelOption,
  seasonalFilter: z.enum([CHOSEN, ...SEASONAL_FILTERS]).optional(),
  trendFilter: z.union([z.literal(CHOSEN), z.int()]).optional(),
  /** From how many σ a value loses weight, and beyond how many it has none. */
  extremes: z
    .tuple([z.number().min(0).max(100), z.number().min(0).max(100)])
    .readonly()
    .optional(),
  /** A year of forecast behind the last value before anything is filtered; true takes the first there is. */
  extend: z.union([z.boolean(), z.enum(CARRIERS)]).optional(),
  /** Adjusted values of a full calendar year brought to the sum of the original. */
  yearlySums: z.boolean().optional(),
})
export type IteratedDocument = z.infer<typeof iteratedDocument>

/** The same, complete. */
export interface IteratedOptions {
  readonly by: 'iterated'
  readonly model: Model
  readonly seasonalFilter: SeasonalFilterName | typeof CHOSEN
  readonly trendFilter: number | typeof CHOSEN
  readonly extremes: readonly [number, number]
  /** false carries nothing on. */
  readonly extend: Carrier | false
  readonly yearlySums: boolean
}

/**
 * Fills in the defaults: filters chosen by what is found, extremes from 1.5 to 2.5 σ, nothing carried on, yearly sums as they come.
 *
 * @throws Refusal for limits that leave nothing between them, and for a length that no trend filter has
 */
export function completeIterated(
  { by, seasonalFilter, trendFilter, extremes, extend, yearlySums, ...document }: IteratedDocument,
  { model, seasons }: Facts,
): IteratedOptions {
  const { lower, upper } = USUAL_LIMITS
  const options: IteratedOptions = {
    ...{ by, model: document.model ?? model },
    seasonalFilter: seasonalFilter ?? CHOSEN,
    trendFilter: trendFilter ?? CHOSEN,
    extremes: extremes ?? [lower, upper],
    extend: extend === true ? CARRIERS[0] : (extend ?? false),
    yearlySums: yearlySums ?? false,
  }
  const { limits, henderson, seasonal } = choicesOf(options)
  requireLimits(limits)
  if (seasonal !== null) requireFilter(seasonal)
  // Of other seasons than months and quarters the decomposition itself is refused.
  if (henderson !== null && canBeIterated(seasons)) requireLength(henderson, seasons)
  return options
}

/** What the procedure is told. */
export function choicesOf({ seasonalFilter, trendFilter, extremes }: IteratedOptions): Choices {
  const [lower, upper] = extremes
  return {
    seasonal: seasonalFilter === CHOSEN ? null : seasonalFilter,
    henderson: trendFilter === CHOSEN ? null : trendFilter,
    limits: { lower, upper },
  }
}

/** Whether a year has months or quarters. */
export function canBeIterated(seasons: number): boolean {
  return seasons === 12 || seasons === 4
}
