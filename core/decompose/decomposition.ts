import type { TrendLine } from '../trend/trendLine'
import type { Value } from '../series/series'
import type { Departure } from './averages/departure'
import type { SeasonalIndices } from './averages/seasonalIndices'

/** A series taken apart, whichever way. Every list has one entry a period of the stretch. */
export interface Decomposition {
  /** Averages before centring, entry i over the m values from i; none for an odd m or without averages. */
  readonly movingAverage: readonly Value[] | null
  readonly trendCycle: readonly Value[]
  readonly seasonalIrregular: readonly Value[]
  readonly indices: SeasonalIndices
  /** The index of each period: that of its season, or with loess its own. */
  readonly index: readonly number[]
  readonly deseasonalized: readonly Value[]
  readonly irregular: readonly Value[]
  readonly recomposed: readonly Value[]
  /** The line through the deseasonalized series, all periods. */
  readonly straightTrend: TrendLine
  readonly trendOfOriginal: Departure['trendOfOriginal']
  readonly seasonMeans: Departure['seasonMeans']
}
