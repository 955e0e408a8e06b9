import { axisOf } from '../../core/calendar/axis'
import type { Period } from '../../core/calendar/period'
import type { Series, Value } from '../../core/series/series'

/** A value that a newer file says otherwise. */
export interface Revised {
  readonly period: Period
  readonly before: Value
  readonly now: Value
}

/** What a newer file would change in a series. */
export interface Revision {
  /** Periods that had no value at all: before the first or after the last. */
  readonly added: readonly Revised[]
  readonly revised: readonly Revised[]
  /** Periods that had a value and are not in the newer file. */
  readonly vanished: readonly Revised[]
}

/**
 * Lays a newer reading of a series against the one that is kept.
 *
 * @param before the series as it is kept, as it came in
 * @param now the newer reading, counted as often
 * @example [10, 11] from Jan against [10, 12, 13] from Jan: Feb revised from 11 to 12, Mar added
 */
export function revisionOf(before: Series, now: Series): Revision {
  const { tOf, periodAt } = axisOf(before)
  const shift = tOf(now.start) - 1
  const first = Math.min(0, shift)
  const last = Math.max(before.values.length, shift + now.values.length)
  const added: Revised[] = []
  const revised: Revised[] = []
  const vanished: Revised[] = []
  for (let i = first; i < last; i++) {
    const change: Revised = {
      period: periodAt(i + 1),
      before: before.values[i] ?? null,
      now: now.values[i - shift] ?? null,
    }
    if (change.before === change.now) continue
    const isOutside = (values: readonly Value[], at: number) => at < 0 || at >= values.length
    if (isOutside(before.values, i)) added.push(change)
    else if (change.now === null || isOutside(now.values, i - shift)) vanished.push(change)
    else revised.push(change)
  }
  return { added, revised, vanished }
}
