import { countPeriods } from '../../calendar/labels'
import { MODEL } from '../../model'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { centreAverages, offCentreAverages } from '../../smoothing/movingAverage'
import { partsOf, type Decomposed } from '../parts'
import { requirePositive } from '../requirements'
import type { NoSeasonOptions } from './options'

/** What a decomposition without a season finds beside the parts. */
export interface NoSeasonTaken {
  readonly by: 'none'
  /** Averages before centring, entry i over the values from i; null for an odd order. */
  readonly offCentre: readonly Value[] | null
}

/** A trend needs one value more than a line has coefficients. */
const FEWEST = 3

/**
 * Takes a series apart that has no season: the trend-cycle is a centred moving average, undefined at its
 * ends, and what it leaves is irregular. Every index is neutral, so the deseasonalized series is the series.
 *
 * @throws Refusal with fewer than three periods, and for a value not above 0 in a multiplicative model
 * @example of 10, 12, 11, 14, 13 with an average of 3 terms: trend-cycle –, 11, 12.33, 12.67, –
 */
export function decomposeWithoutSeason(
  stretch: Stretch,
  { model, order }: NoSeasonOptions,
): Decomposed<NoSeasonTaken> {
  const { values, calendar } = stretch
  if (values.length < FEWEST) {
    throw new Refusal(
      `Too short: a trend needs at least ${countPeriods(FEWEST, calendar)}; there are ${values.length}.`,
      'series',
    )
  }
  if (model === 'multiplicative') requirePositive(stretch)
  const averages = offCentreAverages(values, order)
  const index = values.map((): number => MODEL[model].neutral)
  const trendCycle = centreAverages(averages, order)
  return {
    ...partsOf(values, model, { trendCycle, index, season: null }),
    taken: { by: 'none', offCentre: order % 2 === 0 ? averages : null },
  }
}
