import type { MethodChange } from '../finding'
import { Refusal } from '../refusal'
import type { DecompositionForecast } from './byDecomposition/calculate'
import type { ByDecompositionDocument, ByDecompositionOptions } from './byDecomposition/options'
import type { ArimaForecast } from './arima/calculate'
import type { ArimaDocument, ArimaOptions } from './arima/options'
import { arima } from './arima/way'
import { byDecomposition } from './byDecomposition/way'
import { benchmark } from './benchmark/way'
import type { BenchmarkForecast } from './benchmark/calculate'
import type { BenchmarkDocument, BenchmarkOptions } from './benchmark/options'
import type { CombinationForecast } from './combination/calculate'
import type { CombinationDocument, CombinationOptions } from './combination/options'
import { combination } from './combination/way'
import type { ForecastFacts } from './commonOptions'
import type { RegressionForecast } from './regression/calculate'
import type { RegressionDocument, RegressionOptions } from './regression/options'
import { regression } from './regression/way'
import type { SmoothingForecast } from './smoothing/calculate'
import type { SmoothingDocument, SmoothingOptions } from './smoothing/options'
import { smoothing } from './smoothing/way'
import type { ForecastWay } from './way'

/** Every way of forecasting, in the order in which they are offered. */
export const FORECAST_WAYS = [
  byDecomposition,
  regression,
  smoothing,
  arima,
  combination,
  benchmark,
] as const

/** The options of a forecast, complete; `by` names the way. */
export type ForecastOptions =
  | ByDecompositionOptions
  | RegressionOptions
  | SmoothingOptions
  | ArimaOptions
  | CombinationOptions
  | BenchmarkOptions
export type ForecastName = ForecastOptions['by']
/** What a forecast comes to. */
export type Ahead =
  | DecompositionForecast
  | RegressionForecast
  | SmoothingForecast
  | ArimaForecast
  | CombinationForecast
  | BenchmarkForecast

type NamedDocument =
  | ByDecompositionDocument
  | RegressionDocument
  | SmoothingDocument
  | ArimaDocument
  | CombinationDocument
  | BenchmarkDocument
/** A document that names no way means the default one. */
type UnnamedDocument = { readonly by?: undefined } & Omit<ByDecompositionDocument, 'by'>
/** The part of the method document on the forecast. */
export type ForecastDocument = NamedDocument | UnnamedDocument

/** The way that is taken when none is named. */
export const DEFAULT_FORECAST = byDecomposition

/** A method with this smooths the values, with a trend that dies away. */
export const DAMPED_SMOOTHING = { forecast: { by: smoothing.name, trend: 'damped' } } as const

/** Trend and seasons by one regression. */
export const REGRESSION = { forecast: { by: regression.name } } as const

/** What makes a method one of the benchmarks. */
export function benchmarkChange(which: BenchmarkOptions['which']): MethodChange {
  return { forecast: { by: benchmark.name, which } }
}

/** The way that is made of other methods. */
export const COMBINING = combination

export type AnyForecastWay = ForecastWay<NamedDocument, ForecastOptions, Ahead>

/** The way of a name: the one place where its own types are left behind. */
export function forecastWayOf(by: ForecastName): AnyForecastWay {
  return FORECAST_WAYS.find(({ name }) => name === by) as unknown as AnyForecastWay
}

/**
 * Fills in the defaults of a forecast.
 *
 * @throws Refusal for a choice that belongs to another way, and for what the way itself refuses; `where` is the
 *   path in the document
 */
export function completeForecast(
  document: ForecastDocument,
  facts: ForecastFacts,
): ForecastOptions {
  const way = forecastWayOf(document.by ?? DEFAULT_FORECAST.name)
  const foreign = Object.entries(document).find(
    ([key, value]) => value !== undefined && !(key in way.document.shape),
  )
  if (foreign) {
    const [key] = foreign
    throw new Refusal(foreignForecastWords(key, way.name as ForecastName), `forecast.${key}`)
  }
  return way.complete({ ...document, by: way.name } as NamedDocument, facts)
}

/** Why a choice has no place in a forecast. */
export function foreignForecastWords(key: string, by: ForecastName): string {
  const home = FORECAST_WAYS.find(({ document }) => key in document.shape)
  return home
    ? `${key} belongs to a forecast ${home.home}, and the forecast is ${forecastWayOf(by).home}. Take it out.`
    : `"${key}" is not a key of this document.`
}

/** The same forecast another way: choices that it does not know are left behind. */
export function forecastBy(by: ForecastName, document: ForecastDocument = {}): ForecastDocument {
  const { shape } = forecastWayOf(by).document
  const kept = Object.entries(document).filter(([key]) => key in shape)
  return { ...Object.fromEntries(kept), by } as ForecastDocument
}
