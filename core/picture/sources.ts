import type { Try } from '../check/rolling'
import type { DisplayScale } from '../words/displayScale'
import type { ReadersFigures } from '../words/readersFigures'
import type { Beside, LaidForecast } from '../beside/beside'
import type { Column } from '../column/column'
import type { PeakSpacing } from '../seasonality/peakSpacing'
import type { Result } from '../result'
import type { Point } from './strips'

/** A column beside the ledger, or why there is none. */
export type Inspected =
  | { readonly beside: Beside; readonly column: Column; readonly problem: null }
  | { readonly beside: Beside; readonly column: null; readonly problem: string }

/** A result that was pinned, or of the study beside, under the name it is compared by. */
export interface PinnedResult {
  readonly how: 'pinned' | 'beside'
  readonly name: string
  readonly result: Result
}

/** What strips are made from beside the result itself. */
export interface StripSources {
  readonly scale: DisplayScale
  /** How figures are written in what is said at lines and strips. */
  readonly says: ReadersFigures
  /** What the values are called: `sales`. */
  readonly noun: string
  /** Columns that are looked at beside the ledger. */
  readonly inspected: readonly Inspected[]
  /** Look only: where the series turns. */
  readonly peaks: PeakSpacing | null
  /** The last pinned result, or the study beside, drawn pale beneath; named by what it is. */
  readonly ghost: PinnedResult | null
  /** All that are pinned, where methods are judged by fit and forecast. */
  readonly pinned: readonly PinnedResult[]
  /** At Check: the forecasts of earlier origins, and the one that is looked at; null where fit is shown. */
  readonly tried: { readonly all: readonly Try[]; readonly one: Try } | null
  /** Kept forecasts that are laid on the series. */
  readonly kept: readonly LaidForecast[]
  /** The values before and after the analysed span. */
  readonly outside: readonly Point[]
  /** Whether all strips of components are drawn on one scale. */
  readonly oneScale: boolean
}
