import { polynomialTrend } from '../regression/polynomialTrend'
import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { figure } from '../words/figure'

/** Trends that can be taken out of a series by themselves. */
export const DETREND_FORMS = ['linear', 'quadratic', 'cubic', 'exponential'] as const
export type DetrendForm = (typeof DETREND_FORMS)[number]

/** A series without its trend. One entry a period. */
export interface Detrended {
  /** In units of the series. */
  readonly trend: readonly number[]
  /** value − trend; for an exponential trend value ÷ trend, a factor around 1. */
  readonly detrended: readonly Value[]
  /** Exponential only: the logarithm of that factor. */
  readonly detrendedLog: readonly Value[] | null
}

const DEGREE = { linear: 1, quadratic: 2, cubic: 3 } as const

/**
 * Takes the trend out of a series, and nothing else: what stays is season, cycle and irregular.
 *
 * @param values one a period, null = missing
 * @throws Refusal with too few values, and for an exponential trend when a value is not above 0
 * @example detrend([1, 3, 5, 8], 'linear').detrended // [0.2, −0.1, −0.4, 0.3]
 */
export function detrend(values: readonly Value[], form: DetrendForm): Detrended {
  if (form !== 'exponential') {
    const trend = polynomialTrend(values, DEGREE[form])
    return {
      trend,
      detrended: values.map((value, i) => (value === null ? null : value - trend[i]!)),
      detrendedLog: null,
    }
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
  const line = polynomialTrend(logs, 1)
  const detrendedLog = logs.map((value, i) => (value === null ? null : value - line[i]!))
  return {
    trend: line.map(Math.exp),
    detrended: detrendedLog.map((value) => (value === null ? null : Math.exp(value))),
    detrendedLog,
  }
}
