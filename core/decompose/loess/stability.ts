import type { Stretch } from '../../series/stretch'
import type { Stability } from '../way'
import { decomposeLoess } from './calculate'
import type { LoessOptions } from './options'

/**
 * How much the season hangs on the year at either end: the whole decomposition is made again on the shorter
 * series.
 *
 * @param leftOut time codes that are left out anyway
 */
export function stabilityOfLoess(
  stretch: Stretch,
  options: LoessOptions,
  leftOut: ReadonlySet<number>,
): Stability {
  return {
    withoutFirst: indicesWithout('first', stretch, options, leftOut),
    withoutLast: indicesWithout('last', stretch, options, leftOut),
    standardErrors: Array.from({ length: stretch.calendar.seasons }, () => null),
  }
}

function indicesWithout(
  end: 'first' | 'last',
  stretch: Stretch,
  options: LoessOptions,
  leftOut: ReadonlySet<number>,
): number[] | null {
  const { seasons } = stretch.calendar
  const kept = stretch.values.length - seasons
  if (kept < 2 * seasons) return null
  const skipped = end === 'first' ? seasons : 0
  const shorter: Stretch = {
    ...stretch,
    firstT: stretch.firstT + skipped,
    values: stretch.values.slice(skipped, skipped + kept),
    seasonOf: stretch.seasonOf.slice(skipped, skipped + kept),
    periodOf: (entry) => stretch.periodOf(entry + skipped),
  }
  const present = new Set(
    shorter.seasonOf.filter(
      (_, i) => shorter.values[i] !== null && !leftOut.has(shorter.firstT + i),
    ),
  )
  if (present.size < seasons) return null
  return decomposeLoess(shorter, options, leftOut).season!.indices.map(({ index }) => index)
}
