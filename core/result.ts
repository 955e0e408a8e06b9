import type { Frequency } from './calendar/calendar'
import type { Assumed, BentScenario } from './assume'
import type { Inside } from './calculate'
import type { CommonColumns } from './column/run'
import type { Taken } from './decompose/ways'
import type { Checked } from './check/check'
import type { Examined } from './examine'
import type { Finding } from './finding'
import type { Ahead } from './forecast/ways'
import type { Method } from './method'
import type { Model } from './model'
import type { FilledValue } from './prepare/fill/fillMissing'
import type { TakenOut } from './prepare/prepare'
import type { RegressionReport } from './regression/fullReport'
import type { Quantity } from './series/quantity'
import type { Adjustment } from './series/series'
import type { TrendFit } from './trend/ways'

export const RESULT_FORMAT = 'elvant-result/1'

/** What a result says of its series. */
export interface SeriesFacts {
  readonly name: string
  readonly unit: string
  /** What the values are called: `sales`, `price index`, `values`. */
  readonly noun: string
  readonly quantity: Quantity
  readonly frequency: Frequency
  readonly seasons: number
  readonly yearStart: number
  readonly seasonNames?: readonly string[]
  /** Period codes of the whole series. */
  readonly start: string
  readonly end: string
  readonly periods: number
  /** Periods without a value as they came in. */
  readonly missing: number
}

/** What can be looked at of a series before any method: its values, made ready, and what they say. */
export interface Looked {
  readonly series: SeriesFacts
  readonly method: Pick<Method, 'span' | 'missing'>
  /** What the analyst replaced or left out, by period code. */
  readonly adjustments: readonly Adjustment[]
  /** The values that stand in for missing ones, under the method's rule. */
  readonly filled: readonly FilledValue[]
  /** One entry a period of the analysed span, in every list. */
  readonly columns: Pick<CommonColumns, 'period' | 't' | 'season' | 'original' | 'value'>
  readonly findings: readonly Finding[]
}

/** The result of a method on a series. Plain data; undefined figures are null. */
export interface Result extends Looked, Omit<Examined, 'straight'> {
  readonly format: typeof RESULT_FORMAT
  readonly method: Method
  readonly columns: CommonColumns
  /** What the preparations took out and put back, and what the forecast was before; only where one does. */
  readonly takenOut?: { readonly found: TakenOut } & Inside
  /** What only this way of decomposing finds, under its name `by`. */
  readonly decomposition: Taken
  readonly trendFit: TrendFit
  /** Of a forecast by regression; null where the trend's report is all there is. */
  readonly regression: RegressionReport | null
  /** Degrees of freedom that the indices cost; 0 without a season. */
  readonly seasonCost: number
  /** How such forecasts would have done, where the method asks. */
  readonly check?: Checked
  /** What the analyst's assumptions bent, and how; only where something is assumed. */
  readonly assumed?: Assumed
  /** What other sets of assumptions would make of it; only where there are any. */
  readonly scenarios?: readonly BentScenario[]
  /** What of the forecast assumptions can bend beside its amounts. */
  readonly bends: {
    readonly growth: boolean
    /** How its season is put back; null where no index can be changed. */
    readonly season: Model | null
  }
  readonly forecast: {
    readonly period: readonly string[]
    readonly season: readonly number[]
  } & Ahead
}
