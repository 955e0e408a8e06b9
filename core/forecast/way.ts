import type { Column } from '../column/column'
import type { Run } from '../column/run'
import type { Finding } from '../finding'
import type { Model } from '../model'
import type { Stretch } from '../series/stretch'
import type { Trend } from '../trend/fit'

/** What a forecast starts from. */
export interface ForecastBasis {
  readonly model: Model
  /** The trend through the deseasonalized series. */
  readonly trend: Trend
  /** Time code of the last period analysed; the forecast starts at the next. */
  readonly lastT: number
  /** Degrees of freedom that the indices cost; 0 without a season. */
  readonly seasonCost: number
  /** Index of the season of a time code. */
  indexAt(t: number): number
  /** Variance of that index as a share of that of a single value; 0 without a season. */
  uncertaintyAt(t: number): number
}

/** What the columns of a forecast are made from, beside the ledger they stand in. */
export interface ForecastParts<Options, Ahead> {
  readonly options: Options
  readonly ahead: Ahead
  /** Time code of the first period the trend was fitted to. */
  readonly trendFrom: number
  readonly seasonCost: number
}

/** A way of forecasting: `Options` is its part of the method, `Ahead` what it finds. */
export interface ForecastWay<Options, Ahead> {
  readonly name: string
  /** Numbers alone. */
  forecast(basis: ForecastBasis, options: Options): Ahead
  /** Its columns of the ledger, fitted values first. */
  columns(run: Run, parts: ForecastParts<Options, Ahead>): Column[]
  /** What the reader of its figures must know. */
  findings(stretch: Stretch, ahead: Ahead, seasonCost: number): Finding[]
}
