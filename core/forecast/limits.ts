import type { Value } from '../series/series'

/** Lower and upper prediction limits, one entry a forecast period. */
export interface Limits {
  readonly lower: readonly Value[]
  readonly upper: readonly Value[]
}
