import type { MethodDocument } from '~~/core/method'
import type { Adjustment } from '~~/core/series/series'
import type { About } from '~~/shared/api/series'

/** All of a study that an analyst changes, and that undo brings back. */
export interface StudyContent {
  readonly method: MethodDocument
  readonly adjustments: readonly Adjustment[]
  readonly about: About
}
