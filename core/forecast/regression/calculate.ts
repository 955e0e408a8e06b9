import type { Value } from '../../series/series'
import { Refusal } from '../../refusal'
import { fitDesign, type DesignFit } from '../../regression/fitDesign'
import { tQuantile } from '../../statistics/distributions'
import { figure } from '../../words/figure'
import { backTransformFactor } from '../backTransform'
import { limitOf, requireNumbers } from '../beyondNumbers'
import type { Limits } from '../limits'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import { designOfRegression, seasonEffectAt } from './design'
import type { RegressionOptions } from './options'
import { reportRegression } from './report'

/** A projection of a regression of trend plus season. */
export interface RegressionForecast extends CommonAhead {
  readonly by: 'regression'
  readonly deseasonalized: readonly number[]
  /** x₀ᵀ(XᵀX)⁻¹x₀ of each period, for retracing the limits. */
  readonly leverage: readonly number[]
  readonly interval: {
    /** n − p, less the numbers that were estimated before, of the calendar. */
    readonly df: number
    /** Residual standard deviation, in units of the series; of a multiplicative regression of its logarithm. */
    readonly s: number
    /** t quantiles keyed by level. */
    readonly quantiles: Readonly<Record<string, number>>
    /** What the median is multiplied by for the point of a multiplicative regression; 1 for an additive one. */
    readonly backTransform: number
  }
}

/** A point and the limits around it, on the scale of the values. */
export interface Prediction {
  /** On the scale that was fitted. */
  readonly eta: number
  readonly leverage: number
  /** s·√(1 + leverage), on the scale that was fitted. */
  readonly standardError: number
  readonly point: number
  readonly limits: readonly {
    readonly level: number
    readonly lower: number
    readonly upper: number
  }[]
}

/**
 * What a regression says of a time code: ŷ ± t · s · √(1 + h), h = x₀ᵀ(XᵀX)⁻¹x₀; of logarithms exp of both.
 *
 * @param quantiles of t, each with its level in per cent ({@link quantilesOf})
 * @param factor what exp(ŷ) is multiplied by for the point
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., sec. 3.1
 */
export function predict(
  fit: DesignFit,
  ofLog: boolean,
  t: number,
  quantiles: readonly { readonly level: number; readonly reach: number }[],
  factor = 1,
): Prediction {
  const s = Math.sqrt(fit.sse / fit.df)
  const eta = fit.at(t)
  const leverage = fit.leverageAt(t)
  const standardError = s * Math.sqrt(1 + leverage)
  const back = ofLog ? Math.exp : (value: number) => value
  return {
    eta,
    leverage,
    standardError,
    point: back(eta) * factor,
    limits: quantiles.map(({ level, reach }) => ({
      level,
      lower: back(eta - reach * standardError),
      upper: back(eta + reach * standardError),
    })),
  }
}

/** The t that an interval of each level reaches to, in standard errors. */
export function quantilesOf({ df }: DesignFit, levels: readonly number[]) {
  return levels.map((level) => ({ level, reach: tQuantile(level, df) }))
}

/** Regression of the values on trend, season and events, and what it says of the periods ahead. */
export function forecastByRegression(
  basis: ForecastBasis,
  options: RegressionOptions,
): Forecasted<RegressionForecast> {
  const { stretch, start, trendOptions, lastT } = basis
  const { horizon, levels, model, backTransform = 'median' } = options
  const ofLog = model === 'multiplicative'
  const design = designOfRegression(options, trendOptions, stretch.calendar, start)
  const fit = fitRegression(basis, options, design.all)
  const { df } = fit
  const s = Math.sqrt(fit.sse / df)
  const factor = ofLog ? backTransformFactor(backTransform, s, fit.residuals) : 1
  const t = Array.from({ length: horizon }, (_, i) => lastT + 1 + i)
  const quantiles = quantilesOf(fit, levels)
  const predictions = t.map((at) => predict(fit, ofLog, at, quantiles, factor))
  const forecast = predictions.map(({ point }) => point)
  requireNumbers(forecast)
  const withoutSeason = (value: number, at: number) => {
    const effect = seasonEffectAt(design, fit.coefficients, at)
    return ofLog ? value / Math.exp(effect) : value - effect
  }
  const deseasonalized = forecast.map((value, i) => withoutSeason(value, t[i]!))
  const limits = Object.fromEntries(
    levels.map((level, k): [string, Limits] => [
      String(level),
      {
        lower: predictions.map((one) => limitOf(one.limits[k]!.lower)),
        upper: predictions.map((one) => limitOf(one.limits[k]!.upper)),
      },
    ]),
  )
  return {
    ahead: {
      by: 'regression',
      t,
      forecast,
      deseasonalized,
      leverage: predictions.map(({ leverage }) => leverage),
      limits,
      interval: {
        df,
        s,
        quantiles: Object.fromEntries(quantiles.map(({ level, reach }) => [level, reach])),
        backTransform: factor,
      },
    },
    fitted: stretch.values.map((_, i): Value => {
      const at = stretch.firstT + i
      if (at < fit.from) return null
      const own = fit.fittedInTime[at - fit.from]!
      return ofLog ? Math.exp(own) : own
    }),
    level: {
      values: deseasonalized,
      atOrigin: withoutSeason(predict(fit, ofLog, lastT, [], factor).point, lastT),
      season: design.season.length > 0 ? model : null,
    },
    estimated: fit.p + basis.costBefore,
    inProportion: ofLog,
    report: () => reportRegression(fit, { options, trend: trendOptions, design, stretch, start }),
  }
}

/** @throws Refusal for a value not above 0 in a multiplicative regression, and for a column without data */
function fitRegression(
  { stretch, trendOptions, costBefore }: ForecastBasis,
  { model, indicators, steps }: RegressionOptions,
  columns: readonly DesignFit['columns'][number][],
): DesignFit {
  const { values, firstT } = stretch
  const { last } = trendOptions
  const from = firstT + Math.max(0, values.length - (last ?? Infinity))
  const fitted = values.map((value, i): Value => {
    if (value === null || firstT + i < from || model === 'additive') return value
    if (value > 0) return Math.log(value)
    const { label, names } = stretch.periodOf(i)
    throw new Refusal(
      `A multiplicative regression is fitted to logarithms and needs every value above 0; ${label} is ${figure(value)}. Take the additive model.`,
      'forecast.model',
      names,
    )
  })
  const told = (t: number) => t >= from && (values[t - firstT] ?? null) !== null
  for (const [i, { name }] of [...indicators, ...steps].entries()) {
    const column = columns[columns.length - indicators.length - steps.length + i]!
    const present = values.flatMap((_, k) => (told(firstT + k) ? [column.at(firstT + k)] : []))
    if (new Set(present).size > 1) continue
    throw new Refusal(
      `Nothing can be learnt of "${name}": no value is there ${present.includes(1) ? 'without it' : 'while it lasts'}. Take it out.`,
      i < indicators.length
        ? `forecast.indicators.${i}`
        : `forecast.steps.${i - indicators.length}`,
    )
  }
  return fitDesign(fitted, firstT, columns, 'forecast', { last, costBefore })
}
