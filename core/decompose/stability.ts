import { orNull } from '../refusal'
import type { Stretch } from '../series/stretch'
import type { SeasonalIndex } from './parts'
import type { Stability } from './way'

/**
 * How much the season hangs on the year at either end, where indices are no averages of the years: the whole decomposition is
 * made again on the shorter series.
 *
 * @param leftOut time codes that are left out anyway
 * @param fewestYears that must be left
 * @param indicesOf the indices of a stretch
 */
export function stabilityByRefit(
  stretch: Stretch,
  leftOut: ReadonlySet<number>,
  fewestYears: number,
  indicesOf: (stretch: Stretch) => readonly SeasonalIndex[],
): Stability {
  const without = (end: 'first' | 'last') =>
    indicesWithout(end, stretch, leftOut, fewestYears, indicesOf)
  return {
    withoutFirst: without('first'),
    withoutLast: without('last'),
    standardErrors: Array.from({ length: stretch.calendar.seasons }, () => null),
  }
}

function indicesWithout(
  end: 'first' | 'last',
  stretch: Stretch,
  leftOut: ReadonlySet<number>,
  fewestYears: number,
  indicesOf: (stretch: Stretch) => readonly SeasonalIndex[],
): number[] | null {
  const { seasons } = stretch.calendar
  const kept = stretch.values.length - seasons
  if (kept < fewestYears * seasons) return null
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
  // What the whole series allows, one without a year may not: the way then says nothing of it.
  return orNull(() => indicesOf(shorter))?.map(({ index }) => index) ?? null
}
