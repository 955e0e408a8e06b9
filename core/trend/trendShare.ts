import { inflation } from '../autocorrelation/inflation'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { twoSidedT } from '../statistics/distributions'
import type { TrendLine } from './leastSquares/fit'

/** A trend is left in averaged indices when it moves by more than this share of the level a year. */
const MATTERS = 0.02
const SIGNIFICANT = 0.05
/** The most that neighbouring residuals are taken to be alike. */
const MOST_ALIKE = 0.95

/**
 * What a series rises or falls by a year, as a share of its level, where that matters and is no chance; its
 * standard error allows for residuals whose neighbours are alike.
 *
 * @param values one a period, null = missing
 * @param seasons m
 * @returns null for less than 2% a year, and for what chance may make
 */
export function trendShare(
  values: readonly Value[],
  { fit, slope }: TrendLine,
  seasons: number,
): Value {
  const level = mean(values.filter((value) => value !== null))
  if (!level || fit.n <= fit.p) return null
  const share = Math.abs((slope * seasons) / level)
  if (share <= MATTERS) return null
  const f = inflation(fit.residualsInTime, MOST_ALIKE, 2)
  const error = Math.sqrt((fit.sse / fit.df) * f) * Math.sqrt(fit.varianceOf([0, 1]))
  return error === 0 || twoSidedT(slope / error, fit.df) <= SIGNIFICANT ? share : null
}
