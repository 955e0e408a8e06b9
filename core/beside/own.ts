import type { Declaration } from '../column/column'
import type { Value } from '../series/series'

/** What only one column beside says of itself; the rest all columns beside have in common. */
export type Own = Omit<Declaration, 'name' | 'stages' | 'actual' | 'ahead' | 'whyUndefined'> & {
  readonly values: readonly Value[]
  /** Over the forecast instead of the span. */
  readonly isAhead?: boolean
  /** Over the forecast as well. */
  readonly ahead?: readonly Value[]
}
