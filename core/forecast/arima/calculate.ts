import type { GivenModel } from '../../arima/orderOptions'
import { figuresOf, findModel, requireBoundedModel, type ArimaFigures } from '../../arima/model'
import { axisOf } from '../../calendar/axis'
import { refusedUnder, Refusal } from '../../refusal'
import { eventColumns } from '../../regression/regressors/events'
import { givenColumns } from '../../regression/regressors/givenOptions'
import type { Series, Value } from '../../series/series'
import { arimaColumns, type KnownColumn } from '../../stateSpace/arima/columns'
import { arimaAhead } from '../../stateSpace/arima/forecast'
import { normalQuantile } from '../../statistics/distributions'
import { backFrom, meanOverMedian, transformed } from '../../transform/boxCox'
import { limitOf, noWayBack, requireNumbers } from '../beyondNumbers'
import type { Level } from '../level'
import type { Limits } from '../limits'
import { transformOf, type Transform } from '../powerScale'
import type { CommonAhead, ForecastBasis, Forecasted } from '../way'
import { chooseDifferences } from './differences'
import type { ArimaOptions } from './options'

/** A forecast by ARIMA, with the model that makes it. */
export interface ArimaForecast extends CommonAhead, ArimaFigures {
  readonly by: 'arima'
  /** The columns of mean or drift and of what is known beside, over the span and ahead. */
  readonly known: readonly KnownColumn[]
  readonly transform: Transform | null
  /** On the scale of the model: values, their one-step predictions, and what is to come. */
  readonly scaled: {
    readonly values: readonly Value[]
    readonly predicted: readonly Value[]
    readonly forecast: readonly number[]
    /** Mean ÷ median of each forecast; null where the point is the median. */
    readonly meanOver: readonly number[] | null
  }
  /** Variance ahead as a multiple of σ². */
  readonly factors: readonly number[]
  readonly interval: {
    readonly df: number
    /** σ on the scale of the model. */
    readonly s: number
    /** z, keyed by level. */
    readonly quantiles: Readonly<Record<string, number>>
  }
}

/**
 * Forecast by an ARIMA model of the values themselves, or of a power of them.
 *
 * @throws Refusal for what cannot be transformed, for a model with too few values, and where no model can be taken
 */
export function forecastByArima(
  { stretch, start, lastT, hear }: Pick<ForecastBasis, 'stretch' | 'start' | 'lastT' | 'hear'>,
  options: ArimaOptions,
): Forecasted<ArimaForecast> {
  const { seasons } = stretch.calendar
  const { horizon, levels, backTransform } = options
  const nameOf = (i: number) => stretch.periodOf(i).label
  refusedUnder('forecast', () =>
    requireBoundedModel(options, { periods: stretch.values.length, seasons }),
  )
  const transform = transformOf(options.transform, stretch.values, seasons, nameOf)
  const values = transform
    ? stretch.values.map((value) => (value === null ? null : transformed(value, transform.lambda)))
    : stretch.values
  const extent = { length: values.length, firstT: stretch.firstT, horizon }
  const beside = knownOf(options, { stretch, start }, horizon)
  const found = refusedUnder('forecast', () =>
    findModel(
      { values, firstT: stretch.firstT, seasons, beside },
      options,
      () =>
        chooseDifferences(ofModel({ stretch, start }, values), beside, options.seasonal === true),
      hear,
    ),
  )
  const { fit } = found
  const known = arimaColumns(found.model.constant, beside, extent)
  const ahead = arimaAhead(
    fit.data,
    fit,
    known.map(({ future }) => future),
    horizon,
  )!
  const s = Math.sqrt(fit.s2)
  const back = (z: number): Value => (transform ? backFrom(z, transform.lambda) : limitOf(z))
  const meanOver =
    transform && backTransform === 'mean'
      ? ahead.point.map((z, i) => meanOverMedian(z, transform.lambda, s * ahead.spread[i]!))
      : null
  const forecast = ahead.point.map((z, i) => {
    const median = back(z)
    if (median !== null) return median * (meanOver?.[i] ?? 1)
    throw new Refusal(
      `The forecast of ${nameOf(values.length + i)} cannot come back. ${noWayBack(transform?.lambda ?? 0)} Take the logarithm, or a shorter horizon.`,
      'forecast.transform',
    )
  })
  requireNumbers(forecast)
  const predicted = fit.errors.map((error, i) => (error === null ? null : values[i]! - error))
  return {
    ahead: {
      by: 'arima',
      t: forecast.map((_, i) => lastT + 1 + i),
      forecast,
      deseasonalized: forecast.map(() => null),
      ...figuresOf(found),
      known,
      transform,
      scaled: { values, predicted, forecast: ahead.point, meanOver },
      factors: ahead.spread.map((spread) => spread ** 2),
      limits: Object.fromEntries(
        levels.map((level): [string, Limits] => {
          const side = (sign: number) =>
            ahead.point.map((z, i) => back(z + sign * normalQuantile(level) * s * ahead.spread[i]!))
          return [String(level), { lower: side(-1), upper: side(1) }]
        }),
      ),
      interval: {
        df: fit.count - fit.k + 1,
        s,
        quantiles: Object.fromEntries(levels.map((level) => [level, normalQuantile(level)])),
      },
    },
    fitted: predicted.map((z) => (z === null ? null : back(z))),
    level: levelOf(found.model, forecast, stretch.values),
    estimated: fit.k + (transform?.chosen ? 1 : 0),
    inProportion: transform !== null && transform.lambda !== 1,
    report: () => null,
  }
}

/** Without seasonal terms the forecast is its own level, and begins at the last value. */
function levelOf(
  { order: { P, D, Q } }: GivenModel,
  forecast: readonly number[],
  values: readonly Value[],
): Level | null {
  const atOrigin = values.findLast((value) => value !== null) ?? null
  return P + D + Q > 0 || atOrigin === null ? null : { values: forecast, atOrigin, season: null }
}

/** Where the values stand in time. */
type InTime = Pick<ForecastBasis, 'stretch' | 'start'>

/** The values on the scale of the model, as a series of its own: differences know no other. */
function ofModel({ stretch, start }: InTime, values: readonly Value[]): Series {
  return { name: '', unit: '', calendar: stretch.calendar, start, values }
}

/** What happened and what was given, over the span and ahead. */
function knownOf(
  known: Pick<ArimaOptions, 'indicators' | 'steps' | 'given'>,
  { stretch, start }: InTime,
  horizon: number,
): KnownColumn[] {
  const { values, firstT, calendar } = stretch
  const { tOfCode } = axisOf({ calendar, start })
  const timeCode = (code: string) => tOfCode(code)!
  const columns = [...eventColumns(known, timeCode), ...givenColumns(known.given, timeCode)]
  return columns.map(({ name, at }) => ({
    name,
    values: values.map((_, i) => at(firstT + i)),
    future: Array.from({ length: horizon }, (_, i) => at(firstT + values.length + i)),
  }))
}
