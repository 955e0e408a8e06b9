import type { Period } from '../../calendar/period'
import type { Value } from '../../series/series'
import type { Stretch } from '../../series/stretch'
import type { ExtremeLimits } from './extremes'
import type { SeasonalFilterName } from './seasonalFilters'

/** What is left to the analyst. */
export interface IteratedOptions {
  /** The filter of the second seasonal step of each round; null lets the last round choose its own. */
  readonly seasonal: SeasonalFilterName | null
  /** Length of the trend filters; null lets each step choose. */
  readonly henderson: number | null
  readonly limits: ExtremeLimits
}

export const USUAL_LIMITS: ExtremeLimits = { lower: 1.5, upper: 2.5 }

/** What is adjusted. */
export interface Adjustable {
  /** m: 4 or 12. */
  readonly seasons: number
  /** Calendar year and season of the first value. */
  readonly start: Period
  readonly values: readonly Value[]
  /** How a period is called in a refusal, by its entry from 0; by its number when left out. */
  readonly nameOf?: Stretch['periodOf']
  /** Values of up to a year behind the last, such as a forecast; they serve the averages, and decide nothing. */
  readonly extension?: readonly number[]
}
