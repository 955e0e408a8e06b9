import { Refusal } from '../../refusal'
import { powersOfTime, type DesignColumn } from '../../regression/design'
import { fitDesign, type DesignFit } from '../../regression/fitDesign'
import { TIME_CODE } from '../../regression/timeVariable'
import type { Value } from '../../series/series'
import { figure } from '../../words/figure'
import type { Missed, TrendThrough } from '../trend'

/** A least-squares trend through values in time, with the fit it came from. */
export interface FittedTrend extends TrendThrough {
  /** Whether ln of the values was fitted, and the trend works in proportion. */
  readonly ofLog: boolean
  /** On the scale that was fitted: of the values, or of their logarithms. */
  readonly fit: DesignFit
  /** Of logarithms the median. */
  at(t: number): number
}

/** What a trend is fitted to: columns beside the constant, of the values or of their logarithms. */
export interface TrendColumnsOf {
  readonly columns: readonly DesignColumn[]
  readonly ofLog: boolean
  /** Periods of the time axis to fit to, missing ones included; all when left out. */
  readonly last?: number | undefined
}

const WHERE = 'trend'

/**
 * Least-squares trend of values on columns of their time code, over all periods or the last N.
 *
 * @param values one a period, null = missing and left out of the fit
 * @param firstT time code of the first entry; it is not renumbered
 * @param nameOf a period, for a refusal
 * @throws Refusal with too few values; of logarithms, for a value that is not above 0
 */
export function fitTrend(
  values: readonly Value[],
  firstT: number,
  { columns, ofLog, last }: TrendColumnsOf,
  nameOf: (t: number) => string = String,
): FittedTrend {
  const fitted = ofLog ? logarithms(values, firstT, last, nameOf) : values
  const fit = fitDesign(fitted, firstT, columns, WHERE, { last })
  return {
    ...{ ofLog, fit },
    ...{ from: fit.from, estimated: fit.p, residualsInTime: fit.residualsInTime },
    spread: {
      ...{ ofLog, df: fit.df, sse: fit.sse },
      missed: () => fit.residuals.map((residual, i): Missed => [residual, fit.y[i]! - residual]),
      centreAt: fit.at,
      leverageAt: fit.leverageAt,
    },
    at: ofLog ? (t) => Math.exp(fit.at(t)) : fit.at,
  }
}

/** ln of every value that is fitted. @throws Refusal for one that is not above 0 */
function logarithms(
  values: readonly Value[],
  firstT: number,
  last = Infinity,
  nameOf: (t: number) => string,
): Value[] {
  const skipped = Math.max(0, values.length - last)
  return values.map((value, i) => {
    if (value === null || i < skipped) return null
    if (value <= 0) {
      throw new Refusal(
        `An exponential trend needs every value above 0; the deseasonalized value of ${nameOf(firstT + i)} is ${figure(value)}.`,
        'trend.form',
        { t: firstT + i },
      )
    }
    return Math.log(value)
  })
}

/**
 * A trend as the straight line that it is: the time code alone, of the values, over all of them.
 *
 * @param firstT time code of the first value
 * @returns null for any other trend
 */
export function asLine(trend: FittedTrend, firstT: number): TrendLine | null {
  const { columns, from, coefficients } = trend.fit
  const isLine = columns.length === 1 && columns[0]!.name === TIME_CODE.name
  if (!isLine || trend.ofLog || from !== firstT) return null
  return { ...trend, intercept: coefficients[0]!, slope: coefficients[1]! }
}

/** A straight trend, value = intercept + slope × time code. */
export interface TrendLine extends FittedTrend {
  readonly intercept: number
  /** Change a period, in units of the values. */
  readonly slope: number
}

const LINE: TrendColumnsOf = { columns: powersOfTime(1, TIME_CODE), ofLog: false }

/**
 * Least-squares line of values on their time code.
 *
 * @throws Refusal with fewer than three values
 * @example trendLine([3, null, 7, 9], 1).slope // 2
 */
export function trendLine(values: readonly Value[], firstT: number): TrendLine {
  const trend = fitTrend(values, firstT, LINE)
  const [intercept, slope] = trend.fit.coefficients as [number, number]
  return { ...trend, intercept, slope }
}
