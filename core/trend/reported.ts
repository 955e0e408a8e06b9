import type { Value } from '../series/series'
import type { TrendTime } from './trend'

/** What a report must be told beside the trend. */
export interface TrendReported {
  /** Time code of the last fitted period. */
  readonly to: number
  /** The values before deseasonalizing, one a period. */
  readonly before: readonly Value[]
  readonly time: TrendTime
  /** What is fitted: `deseasonalized litres`. */
  readonly name: string
  periodLabel(t: number): string
}
