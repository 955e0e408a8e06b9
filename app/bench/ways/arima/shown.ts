import type { ArimaFigures } from '~~/core/arima/model'
import type { OrderOptions } from '~~/core/arima/orderOptions'
import type { ArimaForecast } from '~~/core/forecast/arima/calculate'
import { transformWords, type Transform } from '~~/core/forecast/powerScale'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import type { ArimaTrendReport } from '~~/core/trend/arima/report'
import { hasSeason } from '../../stage/panel'
import { namesTakenOut } from '~~/core/prepare/prepare'
import { seasonOut } from '~~/core/words/seasonOut'

/** Which part of a method a model belongs to. */
export type ModelPart = 'forecast' | 'trend'

/** A model as its panels show it, of the forecast or of the trend. */
export interface ShownModel {
  readonly part: ModelPart
  readonly model: ArimaFigures
  readonly options: OrderOptions
  /** m of the model: 1 where it has no season. */
  readonly seasons: number
  /** σ on the scale of the model. */
  readonly s: number
  readonly transform: Transform | null
  /** What it is a model of: `deseasonalized litres`. */
  readonly of: string
  /** One a period from `firstT` on, on the scale of the model. */
  readonly values: readonly Value[]
  readonly predicted: readonly Value[]
  readonly firstT: number
}

/** The model that forecasts. */
export function shownForecast(result: Result): ShownModel {
  const ahead = result.forecast as Result['forecast'] & ArimaForecast
  const { transform, scaled, interval } = ahead
  const { noun, seasons } = result.series
  return {
    ...{ part: 'forecast', model: ahead, options: result.method.forecast as OrderOptions },
    ...{ seasons, s: interval.s, transform },
    of: transform ? transformWords(transform.lambda, noun) : noun,
    ...{ values: scaled.values, predicted: scaled.predicted },
    firstT: result.columns.t[0]!,
  }
}

/** The model that the trend is. */
export function shownTrend(result: Result): ShownModel {
  const { model, first, s } = result.trendFit as ArimaTrendReport
  const { columns, series } = result
  const from = columns.t.indexOf(first)
  const isOfDeseasonalized = hasSeason(result)
  return {
    ...{ part: 'trend', model, options: result.method.trend as OrderOptions },
    ...{ seasons: 1, s, transform: null },
    of: isOfDeseasonalized
      ? seasonOut(namesTakenOut(result.takenOut?.found)).of(series.noun)
      : series.noun,
    values: (isOfDeseasonalized ? columns.deseasonalized : columns.value).slice(from),
    predicted: columns.trend.slice(from),
    firstT: first,
  }
}
