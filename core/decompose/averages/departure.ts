import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import { centreAverages, offCentreAverages } from '../../smoothing/movingAverage'
import { mean } from '../../statistics/average'
import type { StraightLine } from '../../trend/leastSquares/columns'
import { trendLine } from '../../trend/leastSquares/fit'
import { requirePositiveLine } from '../requirements'
import { areGiven, type AveragesOptions } from './options'
import { averageOfEverySeason } from '../seasonalIndices'

/** What each value is compared with to see its season, with what only one way finds on the way. */
export interface Departure {
  /** One entry a period: the seasonal-irregular is the value over this, or less this. */
  readonly level: readonly Value[]
  /** Whether that level is itself the trend-cycle. */
  readonly isTrendCycle: boolean
  readonly own: OwnOfAverages
}

/** What only one of the three ways has. */
export type OwnOfAverages =
  | {
      readonly by: 'ratio-to-moving-average'
      /** Averages before centring, entry i over the m values from i; null for an odd m. */
      readonly offCentre: readonly Value[] | null
    }
  | {
      readonly by: 'ratio-to-trend'
      /** The line through the series itself. */
      readonly line: StraightLine
    }
  | {
      readonly by: 'simple-averages'
      /** Each season's average, season 1 first, and the mean of those. */
      readonly seasonMeans: readonly number[]
      readonly overallMean: number
    }

/**
 * The level that the season departs from, by each way.
 *
 * Simple averages depart from the mean of the m season averages, not from the mean of all values,
 * which would lean to the seasons that occur more often.
 *
 * @throws Refusal when a season has no value to average (simple averages), or when the line is
 *   not above 0 in a multiplicative ratio to trend
 */
export function departure(
  stretch: Stretch,
  options: AveragesOptions,
  leftOut: ReadonlySet<number>,
): Departure {
  const { values, firstT, calendar } = stretch
  const { by, model } = options
  switch (by) {
    case 'ratio-to-moving-average': {
      const averages = offCentreAverages(values, calendar.seasons)
      const offCentre = calendar.seasons % 2 === 0 ? averages : null
      const level = centreAverages(averages, calendar.seasons)
      return { level, isTrendCycle: true, own: { by, offCentre } }
    }
    case 'ratio-to-trend': {
      const { at, intercept, slope } = trendLine(values, firstT)
      const level = values.map((_, i) => at(firstT + i))
      if (model === 'multiplicative') requirePositiveLine(stretch, level)
      return { level, isTrendCycle: true, own: { by, line: { intercept, slope } } }
    }
    case 'simple-averages': {
      const average = areGiven(options) ? 'mean' : options.average
      const { averages } = averageOfEverySeason(stretch, values, average, leftOut)
      const overallMean = mean(averages)!
      return {
        level: values.map(() => overallMean),
        isTrendCycle: false,
        own: { by, seasonMeans: averages, overallMean },
      }
    }
  }
}
