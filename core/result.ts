import type { Adjustment } from './series/series'
import type { FilledValue } from './care/fillMissing'
import type { ErrorFigures } from './check/errorFigures'
import type { Frequency } from './calendar/calendar'
import type { LastPass } from './decompose/loess/stl/stl'
import type { Strength } from './seasonality/strength'
import type { Finding } from './findings/finding'
import type { DecompositionForecast } from './forecast/byDecomposition/calculate'
import type { Leftover } from './leftover/leftover'
import type { Method } from './method'
import type { RegressionFigures } from './regression/report'
import type { SeasonTests } from './seasonality/seasonTests'
import type { WhichModel } from './seasonality/whichModel'
import type { Value } from './series/series'

export const RESULT_FORMAT = 'elvant-result/1'

/** The result document `elvant-result/1`. Undefined figures are null. */
export interface Result {
  readonly format: typeof RESULT_FORMAT
  readonly series: {
    readonly name: string
    readonly unit: string
    readonly frequency: Frequency
    readonly seasons: number
    readonly yearStart: number
    /** Period codes of the whole series. */
    readonly start: string
    readonly end: string
    readonly periods: number
    /** Periods without a value as they came in. */
    readonly missing: number
  }
  readonly method: Method
  /** What the analyst replaced or left out, by period code. */
  readonly adjustments: readonly Adjustment[]
  /** The values that stand in for missing ones, under the method's rule. */
  readonly filled: readonly FilledValue[]
  /** One entry a period of the analysed span, in every list. */
  readonly columns: {
    readonly period: readonly string[]
    readonly t: readonly number[]
    readonly season: readonly number[]
  } & Readonly<Record<FigureColumn, readonly Value[]>>
  readonly seasons: readonly SeasonRow[]
  /** What the raw indices were adjusted by; null by loess, whose indices are not averages. */
  readonly rawIndexMean: Value
  /** How much of what varies is trend and how much season. */
  readonly strength: Strength & {
    /** The same without the periods that a robust fit gave no weight; null when it believed them all. */
    readonly withoutDistrusted: Strength | null
  }
  readonly seasonTests: SeasonTests
  /** Which model has the more even swing; null for too short a series. */
  readonly whichModel: WhichModel | null
  readonly leftover: Leftover
  /** Robust loess only: what the last inner pass worked with, in logarithms for a multiplicative model. */
  readonly lastPass: LastPass | null
  /** The line through the deseasonalized series, all periods of the span; the cycle is read against it. */
  readonly straightTrend: StraightLine
  /** Ratio to trend only: the line through the series itself. */
  readonly trendOfOriginal: StraightLine | null
  /** Simple averages only: the mean of the season averages. */
  readonly overallMean: Value
  readonly trendFit: TrendFit
  readonly forecast: {
    readonly period: readonly string[]
    readonly season: readonly number[]
  } & DecompositionForecast
  readonly accuracy: { readonly fitted: ErrorFigures }
  readonly findings: readonly Finding[]
}

/** The columns of figures, in the order of the calculation. */
export const FIGURE_COLUMNS = [
  /** As it came in. */
  'original',
  /** As the calculation uses it: adjusted, and filled where it is missing. */
  'value',
  'movingAverage',
  'trendCycle',
  'seasonalIrregular',
  'index',
  'deseasonalized',
  'trend',
  'cycle',
  'irregular',
  'recomposed',
  'fitted',
  'residual',
  /** Robust loess only: how far the fit believed each period, from 0 to 1. */
  'weight',
] as const
export type FigureColumn = (typeof FIGURE_COLUMNS)[number]

/** One season's index and how it reads. */
export interface SeasonRow {
  /** 1..m */
  readonly season: number
  readonly label: string
  /** Values behind the index. */
  readonly count: number
  /** Before adjustment; by loess, the mean over the years. */
  readonly raw: number
  /** By loess, that of the last year, which the forecast repeats. */
  readonly index: number
  /** The same without the first, and without the last, year; undefined when too little is left. */
  readonly withoutFirst: Value
  readonly withoutLast: Value
  /** Standard error of the average over the years; undefined for fewer than two values, and by loess. */
  readonly standardError: Value
  /** `32% above the baseline`, `430 litres below the baseline`. */
  readonly reading: string
}

/** value = intercept + slope × time code, in units of the series. */
export interface StraightLine {
  readonly intercept: number
  readonly slope: number
}

/** The regression report of the trend. */
export interface TrendFit extends RegressionFigures {
  readonly form: 'linear'
  /** In words, with the real figures. */
  readonly equation: string
  /** Time codes of the fitted periods. */
  readonly from: number
  readonly to: number
  /** R² of the same line through the series before deseasonalizing. */
  readonly r2Before: Value
}
