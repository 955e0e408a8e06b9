import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { standardDeviation } from '../statistics/spread'
import { centredAverage, offCentreAverages } from './movingAverage'

/**
 * Trailing average: the mean of the last k values, undefined in the first k − 1 periods and where
 * the window holds a missing value.
 *
 * @example trailingAverage([1, 3, 5], 2) // [null, 2, 4]
 */
export function trailingAverage(values: readonly Value[], order: number): Value[] {
  const averages = offCentreAverages(values, order)
  return values.map((_, t) => averages[t - order + 1] ?? null)
}

/**
 * Rolling standard deviation over the last k values, divisor k − 1, in two passes.
 *
 * @throws Refusal for an order of 1, which has no spread
 * @example rollingDeviation([2, 4, 6], 3) // [null, null, 2]
 */
export function rollingDeviation(values: readonly Value[], order: number): Value[] {
  if (order < 2) {
    throw new Refusal('A rolling standard deviation needs an order of at least 2.', 'order')
  }
  return values.map((_, t) => {
    if (t < order - 1) return null
    const window = values.slice(t - order + 1, t + 1).filter((value) => value !== null)
    return window.length === order ? standardDeviation(window) : null
  })
}

/**
 * Rolling mean within each season: along one season's own values from year to year.
 *
 * @param values one a period, null = missing
 * @param seasons m; a season's values stand m entries apart
 * @param order years in the mean
 * @param alignment over the last years, or centred on each
 * @example withinSeasonMean([1, 10, 3, 20], 2, 2, 'trailing') // [null, null, 2, 15]
 */
export function withinSeasonMean(
  values: readonly Value[],
  seasons: number,
  order: number,
  alignment: 'trailing' | 'centred',
): Value[] {
  const smooth = alignment === 'trailing' ? trailingAverage : centredAverage
  const result = Array<Value>(values.length).fill(null)
  for (let first = 0; first < Math.min(seasons, values.length); first++) {
    const own = values.filter((_, t) => t % seasons === first)
    smooth(own, order).forEach((value, year) => (result[first + year * seasons] = value))
  }
  return result
}
