import type { Model } from '../model'

/** A forecast without its season, which growth and a changed index act on. */
export interface Level {
  /** One entry a forecast period. */
  readonly values: readonly number[]
  /** What it is in the last period known, as the forecast would say it. */
  readonly atOrigin: number
  /** How the season is put back into it; null where there is none. */
  readonly season: Model | null
}
