import type { Value } from '../series/series'
import { mean } from '../statistics/average'

/** Error figures of a set of forecasts or fitted values; e = actual − forecast. */
export interface ErrorFigures {
  /** Periods with both an actual and a forecast. */
  readonly count: number
  /** Mean error, in units of the series. */
  readonly me: Value
  readonly mae: Value
  readonly rmse: Value
  /** Per cent; undefined when an actual is 0. */
  readonly mape: Value
  /** Per cent, mean of 200·|e| / (|actual| + |forecast|). */
  readonly smape: Value
  /** MAE over the mean change from the same season last year (without a season: the period before). */
  readonly mase: Value
  readonly rmsePercentOfMean: Value
}

/** A mean error below this share of the largest value is rounding. */
const ROUNDING = 1e-14

/** A forecast, what came, and the scale of its training span; null = undefined. */
export interface Forecasted {
  readonly actual: Value
  readonly forecast: Value
  readonly scale: Value
}

/**
 * Error figures over the periods that have both an actual and a forecast.
 *
 * @param actual one a period, null = missing
 * @param forecast same length
 * @param scale the denominator of MASE, see {@link naiveScale}; null leaves MASE undefined
 * @see Another look at measures of forecast accuracy, International Journal of Forecasting 22 (2006), 679–688
 * @example errorFigures([10, 20], [12, 19], 3).mae // 1.5
 */
export function errorFigures(
  actual: readonly Value[],
  forecast: readonly Value[],
  scale: Value,
): ErrorFigures {
  return figuresOfErrors(actual.map((a, i) => ({ actual: a, forecast: forecast[i]!, scale })))
}

/** The same of forecasts from several origins, each error scaled by its own training span. */
export function figuresOfErrors(forecasts: readonly Forecasted[]): ErrorFigures {
  const pairs = forecasts.flatMap(({ actual: a, forecast: f, scale }) =>
    a === null || f === null ? [] : [{ a, f, e: a - f, scale }],
  )
  type Pair = (typeof pairs)[number]
  const over = (measure: (pair: Pair) => number) => mean(pairs.map(measure))
  const squared = over(({ e }) => e * e)
  const rmse = squared === null ? null : Math.sqrt(squared)
  const level = over(({ a }) => a)
  const me = over(({ e }) => e)
  const largest = pairs.reduce((most, { a }) => Math.max(most, Math.abs(a)), 0)
  return {
    count: pairs.length,
    // Errors that cancel leave what rounding leaves, which is no bias.
    me: me !== null && Math.abs(me) <= ROUNDING * largest ? 0 : me,
    mae: over(({ e }) => Math.abs(e)),
    rmse,
    mape: pairs.some(({ a }) => a === 0)
      ? null
      : over(({ a, e }) => (100 * Math.abs(e)) / Math.abs(a)),
    smape: pairs.some(({ a, f }) => a === 0 && f === 0)
      ? null
      : over(({ a, f, e }) => (200 * Math.abs(e)) / (Math.abs(a) + Math.abs(f))),
    mase: pairs.some(({ scale }) => scale === null)
      ? null
      : over(({ e, scale }) => Math.abs(e) / scale!),
    rmsePercentOfMean: rmse === null || !level ? null : (100 * rmse) / level,
  }
}

/**
 * What errors are scaled by: {@link meanChange}, undefined where nothing changes, since nothing can be a multiple of 0.
 *
 * @param lag m; 1 without a season
 */
export function naiveScale(values: readonly Value[], lag: number): Value {
  return meanChange(values, lag) || null
}

/**
 * Mean absolute change over a training span: from the same season of the year before, or without a season
 * from the period before.
 *
 * @returns undefined when no such pair exists; 0 when nothing changes
 * @example meanChange([1, 2, 4], 1) // 1.5
 */
export function meanChange(values: readonly Value[], lag: number): Value {
  // One pass without lists: a rolling check asks for this at every origin.
  let [sum, count] = [0, 0]
  for (let i = lag; i < values.length; i++) {
    const [value, before] = [values[i]!, values[i - lag]!]
    if (value === null || before === null) continue
    sum += Math.abs(value - before)
    count++
  }
  return count === 0 ? null : sum / count
}
