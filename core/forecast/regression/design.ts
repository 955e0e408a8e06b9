import { axisOf } from '../../calendar/axis'
import type { Period } from '../../calendar/period'
import type { Calendar } from '../../calendar/calendar'
import type { DesignColumn } from '../../regression/design'
import { designCalendar } from '../../regression/designCalendar'
import { eventColumns } from '../../regression/regressors/events'
import { centredSeason, seasonColumns } from '../../regression/regressors/seasonForms'
import { timeOf } from '../../regression/timeVariable'
import { requireFitted } from '../../trend/options'
import type { TrendOptions } from '../../trend/ways'
import { trendDesign } from '../../trend/leastSquares/options'
import { seasonFormOf, type RegressionOptions } from './options'

/** The columns of a regression in their order, by what they are about. */
export interface RegressionDesign {
  readonly trend: readonly DesignColumn[]
  readonly season: readonly DesignColumn[]
  readonly events: readonly DesignColumn[]
  /** Trend, season, events. */
  readonly all: readonly DesignColumn[]
  /** Weights on the season's columns for what the season adds to the average one, at a time code. */
  centredSeason(t: number): number[]
}

/**
 * The design of a regression of trend plus season.
 *
 * @param start the period of time code 1
 */
export function designOfRegression(
  options: RegressionOptions,
  trend: TrendOptions,
  calendar: Calendar,
  start: Period,
): RegressionDesign {
  const time = timeOf(trend.time, calendar, start)
  const own = designCalendar(calendar, start)
  const form = seasonFormOf(options)
  const parts = {
    trend: trendDesign(requireFitted(trend), calendar, start),
    season: seasonColumns(form, own, time),
    events: eventColumns(options, (code) => axisOf({ calendar, start }).tOfCode(code)!),
  }
  return {
    ...parts,
    all: [...parts.trend, ...parts.season, ...parts.events],
    centredSeason: centredSeason(form, own, time),
  }
}

/** What the season adds at a time code, on the scale that is fitted: 0 on average over the seasons. */
export function seasonEffectAt(
  { trend, centredSeason: weightsAt }: Pick<RegressionDesign, 'trend' | 'centredSeason'>,
  coefficients: readonly number[],
  t: number,
): number {
  return weightsAt(t).reduce(
    (sum, weight, j) => sum + weight * coefficients[1 + trend.length + j]!,
    0,
  )
}
