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
 * @param seasonOf the season of an entry; one that comes twice in a long year is a season of its own
 * @param order years in the mean
 * @param alignment over the last years, or centred on each
 * @example withinSeasonMean([1, 10, 3, 20], (i) => i % 2, 2, 'trailing') // [null, null, 2, 15]
 */
export function withinSeasonMean(
  values: readonly Value[],
  seasonOf: (i: number) => number,
  order: number,
  alignment: 'trailing' | 'centred',
): Value[] {
  const smooth = alignment === 'trailing' ? trailingAverage : centredAverage
  const places = new Map<number, number[]>()
  values.forEach((_, i) => {
    const season = seasonOf(i)
    const own = places.get(season)
    if (own) own.push(i)
    else places.set(season, [i])
  })
  const result = Array<Value>(values.length).fill(null)
  for (const own of places.values()) {
    const inSeason = own.map((i) => values[i]!)
    smooth(inSeason, order).forEach((value, year) => (result[own[year]!] = value))
  }
  return result
}
