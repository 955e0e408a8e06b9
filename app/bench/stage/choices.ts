import type { Rest } from '~~/core/beside/rest'
import type { Tried } from '~~/core/beside/tried'
import type { LaidParts } from '~~/core/beside/parts'
import type { GrowthKind, LaidForecast } from '~~/core/beside/beside'
import type { Value } from '~~/core/series/series'
import type { AverageKind } from '~~/core/smoothing/averageKinds'

/** What the analyst chose to look at beside the method; a stage makes columns of it. */
export interface BesideChoices {
  /** Periods of the rolling mean and deviation. */
  readonly rolling: number
  /** The series on another scale, and without what was taken out. */
  readonly rest: Rest
  /** Averages compared at Smooth. */
  readonly averages: readonly AverageKind[]
  /** One growth rate, or two in one picture. */
  readonly growthRates: readonly GrowthKind[]
  /** At Check: the forecast of the origin that is looked at. */
  readonly tried: Tried | null
  /** At Project: what came after a span that ends early, one entry a forecast period; null after one that does not. */
  readonly came: readonly Value[] | null
  /** Kept forecasts that are laid on the series. */
  readonly kept: readonly LaidForecast[]
  /** At Deseasonalize: a whole and its parts; null where none are laid beside. */
  readonly parts: LaidParts | null
  /** Whose growth. */
  readonly growthOf: readonly ('value' | 'deseasonalized')[]
}
