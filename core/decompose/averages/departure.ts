import { trendLine, type TrendLine } from '../../trend/trendLine'
import type { Value } from '../../series/series'
import { centredAverage } from '../../smoothing/movingAverage'
import { mean } from '../../statistics/average'
import type { Stretch } from '../../series/stretch'
import type { ClassicalChoices } from './calculate'
import { requirePositiveLine } from '../requirements'
import { averageOfEverySeason } from './seasonalIndices'

/** What each value is compared with to see its season. */
export interface Departure {
  /** One entry a period: the seasonal-irregular is the value over this, or less this. */
  readonly from: readonly Value[]
  /** Whether that level is itself the trend-cycle. */
  readonly isTrendCycle: boolean
  /** Ratio to trend: the line through the series. */
  readonly trendOfOriginal: TrendLine | null
  /** Simple averages: each season's average, season 1 first, and the mean of those. */
  readonly seasonMeans: { readonly bySeason: readonly number[]; readonly overall: number } | null
}

const NOTHING_MORE = { trendOfOriginal: null, seasonMeans: null }

/**
 * The level that the season departs from, by each classical way.
 *
 * Simple averages depart from the mean of the m season averages, not from the mean of all values,
 * which would lean to the seasons that occur more often.
 *
 * @throws Refusal when a season has no value to average (simple averages), or when the line is
 *   not above 0 in a multiplicative ratio to trend
 */
export function departure(stretch: Stretch, choices: ClassicalChoices): Departure {
  const { values, firstT, calendar } = stretch
  switch (choices.by) {
    case 'ratio-to-moving-average':
      return { from: centredAverage(values, calendar.seasons), isTrendCycle: true, ...NOTHING_MORE }
    case 'ratio-to-trend': {
      const line = trendLine(values, firstT)
      const from = values.map((_, i) => line.at(firstT + i))
      if (choices.model === 'multiplicative') requirePositiveLine(stretch, from)
      return { ...NOTHING_MORE, from, isTrendCycle: true, trendOfOriginal: line }
    }
    case 'simple-averages': {
      const { averages } = averageOfEverySeason(stretch, values, choices)
      const overall = mean(averages)!
      return {
        ...NOTHING_MORE,
        from: values.map(() => overall),
        isTrendCycle: false,
        seasonMeans: { bySeason: averages, overall },
      }
    }
  }
}
