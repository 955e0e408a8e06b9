import { regressionFigures, type RegressionFigures } from '../regression/report'
import type { Value } from '../series/series'
import { equation } from './equation'
import type { Trend } from './fit'

/** The regression report of the trend. */
export interface TrendFit extends RegressionFigures {
  readonly form: 'linear'
  /** In words, with the real figures. */
  readonly equation: string
  /** Time codes of the fitted periods. */
  readonly from: number
  readonly to: number
  /** R² of the same trend through the series before deseasonalizing. */
  readonly r2Before: Value
}

/**
 * What there is to say of a trend.
 *
 * @param trend through the deseasonalized series
 * @param to time code of the last fitted period
 * @param before the same trend through the series itself
 * @param hasSeason whether a season was taken out of what it is fitted to
 * @param noun what the values are called
 */
export function reportTrend(
  trend: Trend,
  to: number,
  before: Trend,
  hasSeason: boolean,
  noun: string,
): TrendFit {
  const figures = figuresOf(trend)
  return {
    form: 'linear',
    equation: equation(hasSeason ? 'deseasonalized' : noun, figures.terms),
    from: trend.from,
    to,
    r2Before: figuresOf(before).r2,
    ...figures,
  }
}

/** The figures of the regression behind a trend. */
export function figuresOf({ fit, fittedValues, columns, residuals }: Trend): RegressionFigures {
  return regressionFigures(
    fit,
    fittedValues,
    ['constant', ...columns.map(({ name }) => name)],
    residuals,
  )
}

/** The change a period of a trend that is straight in time; null for any other. */
export function slopeOf({ terms }: Pick<RegressionFigures, 'terms'>): Value {
  return terms.length === 2 ? terms[1]!.estimate : null
}
