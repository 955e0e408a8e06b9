import type { Model } from '../model'
import type { Value } from '../series/series'

/** How the figures of a period moved from when it was among the last to now. */
export interface Revised {
  /** Entry counted from 1, or time code. */
  readonly t: number
  readonly first: Value
  readonly last: Value
  /** In per cent, or of an additive model in units. */
  readonly revision: Value
  readonly trendFirst: Value
  readonly trendLast: Value
  readonly trendRevision: Value
}

/** Adjusted value and trend-cycle of a period. */
interface AdjustedAt {
  readonly adjusted: Value
  readonly trend: Value
}

/** A period's figures as they were at first laid beside what they are now. */
export function revisedAt(t: number, then: AdjustedAt, now: AdjustedAt, model: Model): Revised {
  return {
    ...{ t, first: then.adjusted, last: now.adjusted },
    revision: moved(then.adjusted, now.adjusted, model),
    ...{ trendFirst: then.trend, trendLast: now.trend },
    trendRevision: moved(then.trend, now.trend, model),
  }
}

function moved(first: Value, last: Value, model: Model): Value {
  if (first === null || last === null) return null
  if (model === 'additive') return last - first
  return first === 0 ? null : 100 * (last / first - 1)
}

/** The mean of how far figures moved, whichever way; undefined where none did. */
export function meanMoved(moves: readonly Value[]): Value {
  const known = moves.filter((one) => one !== null)
  return known.length === 0
    ? null
    : known.reduce((sum, one) => sum + Math.abs(one), 0) / known.length
}
