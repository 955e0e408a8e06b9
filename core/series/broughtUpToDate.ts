import { axisOf } from '../calendar/axis'
import type { Series, Value } from './series'

/** What a newer file no longer has: kept as it was, or dropped. */
export type Vanished = 'keep' | 'drop'

/** A series brought up to date. */
export interface BroughtUpToDate extends Pick<Series, 'start' | 'values'> {
  /** Periods with a value that are in the series only because they were in it before. */
  readonly carriedOver: number
}

/**
 * A series with the values of a newer file over those that it had. What the file says of a period counts; a period that it
 * does not have, or has no value for, keeps the one from before.
 *
 * @param before as it came in until now
 * @param now the newer file, counted alike
 * @example [10, 11, 12] from Jan and [12.5, 13] from Mar: [10, 11, 12.5, 13], of which 2 are carried over
 */
export function broughtUpToDate(
  before: Pick<Series, 'calendar' | 'start' | 'values'>,
  now: Pick<Series, 'start' | 'values'>,
): BroughtUpToDate {
  const { tOf, periodAt } = axisOf(before)
  const shift = tOf(now.start) - 1
  const first = Math.min(0, shift)
  const end = Math.max(before.values.length, shift + now.values.length)
  let carriedOver = 0
  const values = Array.from({ length: end - first }, (_, i): Value => {
    const at = first + i
    const newer = now.values[at - shift] ?? null
    const older = before.values[at] ?? null
    if (newer === null && older !== null) carriedOver++
    return newer ?? older
  })
  return { start: periodAt(first + 1), values, carriedOver }
}
