import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { standardErrorOfMean } from '../../statistics/spread'
import type { Decomposed } from '../parts'
import type { Stability } from '../way'
import type { AveragesTaken } from './calculate'
import { areGiven, type AveragesOptions } from './options'
import { adjustIndices, AVERAGE, valuesOfSeasons } from '../seasonalIndices'

/**
 * How much the indices hang on single years: each season's first (or last) value is left out and the indices
 * are formed again; and the standard error of each average.
 *
 * @param leftOut time codes that are left out anyway
 * @returns null for indices that are given, which no year moves
 */
export function stabilityOfAverages(
  stretch: Stretch,
  options: AveragesOptions,
  leftOut: ReadonlySet<number>,
  { taken }: Decomposed<AveragesTaken>,
): Stability | null {
  if (areGiven(options)) return null
  const { average, model, adjust } = options
  // Simple averages are read against the mean of all seasons, which is another one without a year.
  const isOfOverallMean = taken.by === 'simple-averages'
  const lists = valuesOfSeasons(stretch, taken.seasonalIrregular, leftOut)
  const without = (cut: (list: readonly number[]) => readonly number[]) => {
    const raw = lists.map((list) => AVERAGE[average](cut(list)))
    return raw.some((value: Value) => value === null)
      ? null
      : adjustIndices(raw as number[], model, adjust || isOfOverallMean).index
  }
  return {
    withoutFirst: without((list) => list.slice(1)),
    withoutLast: without((list) => list.slice(0, -1)),
    standardErrors: lists.map(standardErrorOfMean),
  }
}
