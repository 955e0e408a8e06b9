import type { DesignColumn } from '../regression/design'
import { leastSquares, type LeastSquares } from '../regression/leastSquares'
import type { Value } from '../series/series'
import { TREND_FORMS } from './forms'

/** A trend through values in time, with the fit it came from. */
export interface Trend {
  readonly columns: readonly DesignColumn[]
  /** Time code of the first period it was fitted to. */
  readonly from: number
  readonly fit: LeastSquares
  /** The values that were fitted, gaps left out. */
  readonly fittedValues: readonly number[]
  /** Value minus trend at every period from `from` on; undefined where the value is missing. */
  readonly residuals: readonly Value[]
  /** The trend at a time code, in units of the values. */
  at(t: number): number
  /** x₀ᵀ(XᵀX)⁻¹x₀ at a time code. */
  leverageAt(t: number): number
}

/** A straight trend, value = intercept + slope × time code. */
export interface TrendLine extends Trend {
  readonly intercept: number
  /** Change a period, in units of the values. */
  readonly slope: number
}

/**
 * Least-squares trend of values on columns of their time code, over all periods or the last N.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param firstT time code of the first entry; it is not renumbered
 * @param columns beside the constant
 * @param last periods of the time axis to fit to, missing ones included; all when left out
 * @throws Refusal with too few values
 */
export function fitTrend(
  values: readonly Value[],
  firstT: number,
  columns: readonly DesignColumn[],
  last = Infinity,
): Trend {
  const skipped = Math.max(0, values.length - last)
  const from = firstT + skipped
  const own = skipped === 0 ? values : values.slice(skipped)
  const t: number[] = []
  const fittedValues: number[] = []
  own.forEach((value, i) => {
    if (value === null) return
    t.push(from + i)
    fittedValues.push(value)
  })
  const fit = leastSquares(
    fittedValues,
    columns.map(({ name, at }) => ({ name, values: t.map(at) })),
    'trend',
  )
  const { coefficients } = fit
  let next = 0
  return {
    columns,
    from,
    fit,
    fittedValues,
    residuals: own.map((value) => (value === null ? null : fit.residuals[next++]!)),
    at: (time) =>
      columns.reduce(
        (sum, column, j) => sum + coefficients[j + 1]! * column.at(time),
        coefficients[0]!,
      ),
    leverageAt: (time) => fit.leverage(columns.map((column) => column.at(time))),
  }
}

/**
 * Least-squares line of values on their time code.
 *
 * @throws Refusal with fewer than three values
 * @example trendLine([3, null, 7, 9], 1).slope // 2
 */
export function trendLine(values: readonly Value[], firstT: number): TrendLine {
  const trend = fitTrend(values, firstT, TREND_FORMS.linear.columns)
  const [intercept, slope] = trend.fit.coefficients as [number, number]
  return { ...trend, intercept, slope }
}
