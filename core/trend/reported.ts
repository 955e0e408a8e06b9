import type { TimeKind } from '../regression/timeVariable'
import type { Value } from '../series/series'
import type { TrendFormName } from './forms'

/** What a report must be told beside the trend. */
export interface TrendReported {
  readonly form: TrendFormName
  readonly time: TimeKind
  /** Time code of the last fitted period. */
  readonly to: number
  /** R² before deseasonalizing. */
  readonly r2Before: Value
  /** What is fitted: `deseasonalized litres`. */
  readonly name: string
  /** m */
  readonly seasons: number
  periodLabel(t: number): string
}
