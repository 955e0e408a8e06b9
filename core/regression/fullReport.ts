import type { Value } from '../series/series'
import type { Influence } from './influence'
import type { RegressionFigures, Term } from './report'
import type { ResidualTests } from './residualTests'

/** What a coefficient is about. */
export type TermKind = 'constant' | 'trend' | 'season' | 'event'

/** What one season adds to the average one, with what is known about it. */
export interface SeasonEffect extends Term {
  /** 1..m */
  readonly season: number
}

/** All that there is to say of a regression of trend plus season; of a multiplicative one on the scale of ln y. */
export interface RegressionReport extends RegressionFigures {
  readonly ofLog: boolean
  /** Time codes of the fitted periods. */
  readonly from: number
  readonly to: number
  /** What each of the terms is about, in their order. */
  readonly kinds: readonly TermKind[]
  /** Every season against the average one, whatever the season is coded as; none without a season. */
  readonly seasonEffects: readonly SeasonEffect[]
  /** The slope of every straight piece of a trend with breaks. */
  readonly segmentSlopes: readonly Term[]
  /** The slope of every season, where each has its own. */
  readonly seasonSlopes: readonly Term[]
  /** The mean of exp(residual) of a multiplicative regression; else undefined. */
  readonly smearing: Value
  /** One a period from the first fitted on. */
  readonly residuals: readonly Value[]
  /** What was fitted at the same periods, on the same scale. */
  readonly fittedScale: readonly number[]
  readonly tests: ResidualTests
  /** The periods that sway it the most. */
  readonly influence: readonly Influence[]
}
