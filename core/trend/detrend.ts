import { Refusal } from '../refusal'
import { polynomialTrend } from '../regression/polynomialTrend'
import type { Value } from '../series/series'
import { figure } from '../words/figure'
import { TREND_FORMS, type TrendForm, type TrendFormName } from './forms'

/** A series without its trend. One entry a period. */
export interface Detrended {
  /** In units of the series. */
  readonly trend: readonly number[]
  /** value − trend; for a trend of the logarithm value ÷ trend, a factor around 1. */
  readonly detrended: readonly Value[]
  /** Of such a trend only: the logarithm of that factor. */
  readonly detrendedLog: readonly Value[] | null
}

/**
 * Takes the trend out of a series, and nothing else: what stays is season, cycle and irregular.
 *
 * @param values one a period, null = missing
 * @throws Refusal with too few values, and for a trend of the logarithm when a value is not above 0
 * @example detrend([1, 3, 5, 8], 'linear').detrended // [0.2, −0.1, −0.4, 0.3]
 */
export function detrend(values: readonly Value[], form: TrendFormName): Detrended {
  const { columns, ofLog }: TrendForm = TREND_FORMS[form]
  if (!ofLog) {
    const trend = polynomialTrend(values, columns)
    return { trend, detrended: less(values, trend), detrendedLog: null }
  }
  const at = values.findIndex((value) => value !== null && value <= 0)
  if (at >= 0) {
    throw new Refusal(
      `An exponential trend needs every value above 0; value ${at + 1} is ${figure(values[at]!)}.`,
      'trend.form',
      { t: at + 1 },
    )
  }
  const logs = values.map((value) => (value === null ? null : Math.log(value)))
  const line = polynomialTrend(logs, columns)
  const detrendedLog = less(logs, line)
  return {
    trend: line.map(Math.exp),
    detrended: detrendedLog.map((value) => (value === null ? null : Math.exp(value))),
    detrendedLog,
  }
}

function less(values: readonly Value[], trend: readonly number[]): Value[] {
  return values.map((value, i) => (value === null ? null : value - trend[i]!))
}
