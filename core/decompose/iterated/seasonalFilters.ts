import { compositeWeights } from '../../smoothing/compositeAverage'
import { musgraveWeights } from './musgrave'

/** Averages of averages along each season, and the mean of all its years. */
export const SEASONAL_FILTERS = ['3x1', '3x3', '3x5', '3x9', '3x15', 'stable'] as const
export type SeasonalFilterName = (typeof SEASONAL_FILTERS)[number]
export type MovingFilterName = Exclude<SeasonalFilterName, 'stable'>

/** A filter along the years of one season. */
export interface SeasonalFilter {
  /** H, years to either side. */
  readonly half: number
  readonly symmetric: readonly number[]
  /** By the number of later years that there are, oldest first, H years before the first of them; the first years have them mirrored. */
  readonly ends: readonly (readonly number[])[]
}

const over = (divisor: number, ...rows: readonly (readonly number[])[]) =>
  rows.map((row) => row.map((weight) => weight / divisor))

/** R of the ends that were never published: what meets those of 3×1 and 3×9, carried on to its span. */
const RATIO_OF_3X15 = 18

/**
 * The filters with their ends, those with no later year first.
 *
 * Ends of 3×3 and 3×5 follow from carrying the values on by the mean of the last; those of 3×9 were published in 1026ths and
 * follow no formula; those of 3×15 are made by the formula of the trend filters' ends.
 *
 * @see Ladiray, D. & Quenneville, B. (2001), Seasonal Adjustment with Moving Averages, Lecture Notes in Statistics 158
 */
export const SEASONAL_FILTER: Readonly<Record<MovingFilterName, SeasonalFilter>> = {
  '3x1': { half: 1, symmetric: compositeWeights(3, 1), ends: over(100, [39, 61]) },
  '3x3': {
    ...{ half: 2, symmetric: compositeWeights(3, 3) },
    ends: over(27, [5, 11, 11], [3, 7, 10, 7]),
  },
  '3x5': {
    ...{ half: 3, symmetric: compositeWeights(3, 5) },
    ends: over(60, [9, 17, 17, 17], [4, 11, 15, 15, 15], [4, 8, 13, 13, 13, 9]),
  },
  '3x9': {
    ...{ half: 5, symmetric: compositeWeights(3, 9) },
    ends: over(
      1026,
      [52, 115, 175, 202, 227, 255],
      [29, 94, 148, 164, 181, 197, 213],
      [33, 81, 126, 136, 147, 158, 167, 178],
      [35, 77, 116, 120, 126, 131, 135, 141, 145],
      [35, 75, 114, 116, 117, 119, 120, 121, 123, 86],
    ),
  },
  '3x15': {
    ...{ half: 8, symmetric: compositeWeights(3, 15) },
    ends: Array.from({ length: 8 }, (_, later) =>
      musgraveWeights(compositeWeights(3, 15), 9 + later, RATIO_OF_3X15),
    ),
  },
}

/** The next shorter filters, the longest first. */
const LADDER: readonly SeasonalFilterName[] = ['3x15', '3x9', '3x5', '3x3', 'stable']

/**
 * The filter that there are years for: the one that is asked for, or the next shorter one, for all seasons alike.
 *
 * @param fewest values that any season has
 */
export function fittingFilter(asked: SeasonalFilterName, fewest: number): SeasonalFilterName {
  const fits = (name: SeasonalFilterName) =>
    name === 'stable' || fewest >= 2 * SEASONAL_FILTER[name].half
  if (fits(asked)) return asked
  // 3×1 stands in no line with the others: nothing is shorter but all years alike.
  const from = LADDER.indexOf(asked)
  return from < 0 ? 'stable' : LADDER.slice(from).find(fits)!
}
