import { Refusal } from '../refusal'
import { powersOfTime } from '../regression/design'
import { breakColumns, type Break } from '../regression/regressors/events'
import { TIME_CODE } from '../regression/timeVariable'
import type { Value } from '../series/series'
import { figure } from '../words/figure'
import { fitTrend } from './leastSquares/fit'
import { FITTED_FORMS, type FittedFormName } from './leastSquares/forms'

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
 * @param breaks of the form with breaks alone, by time code
 * @throws Refusal with too few values, and for a trend of the logarithm when a value is not above 0
 * @example detrend([1, 3, 5, 8], 'linear').detrended // [0.2, −0.1, −0.4, 0.3]
 */
export function detrend(
  values: readonly Value[],
  form: FittedFormName,
  breaks: readonly Break[] = [],
): Detrended {
  const { degree, ofLog } = FITTED_FORMS[form]
  const at = ofLog ? values.findIndex((value) => value !== null && value <= 0) : -1
  if (at >= 0) {
    throw new Refusal(
      `An exponential trend needs every value above 0; value ${at + 1} is ${figure(values[at]!)}.`,
      'trend.form',
      { t: at + 1 },
    )
  }
  const columns = [
    ...powersOfTime(degree, TIME_CODE),
    ...breaks.flatMap((at) => breakColumns(at, TIME_CODE, String(at.t))),
  ]
  const trend = fitTrend(values, 1, { columns, ofLog })
  const line = values.map((_, i) => trend.at(i + 1))
  if (!ofLog) {
    return {
      trend: line,
      detrended: values.map((value, i) => (value === null ? null : value - line[i]!)),
      detrendedLog: null,
    }
  }
  const logs = values.map((value, i) =>
    value === null ? null : Math.log(value) - trend.fit.at(i + 1),
  )
  return {
    trend: line,
    detrended: logs.map((value) => (value === null ? null : Math.exp(value))),
    detrendedLog: logs,
  }
}
