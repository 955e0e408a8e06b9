import type { Value } from '../series/series'

/** What the distances between peaks, and between troughs, say. */
export type PeakVerdict = 'seasonal' | 'nearly-seasonal' | 'another-season' | 'cyclical'

/** Where a series turns, as entries from 1, and how far apart. */
export interface PeakSpacing {
  readonly peaks: readonly number[]
  readonly troughs: readonly number[]
  readonly gapsBetweenPeaks: readonly number[]
  readonly gapsBetweenTroughs: readonly number[]
  /** null with fewer than two gaps. */
  readonly verdict: PeakVerdict | null
}

/** Share of the gaps that must lie within one period of m to be nearly seasonal. */
const NEARLY = 0.8

/**
 * Peaks and troughs, and whether they keep the distance of a season.
 *
 * A peak is higher than each of the w values before it and not lower than any of the w after it, all of them
 * present, and the first later value that differs is lower, so that a plateau counts once, at its first
 * period; a trough is the mirror image. All gaps equal to m: seasonal; at least 80% within one period of m:
 * nearly seasonal; unequal: cyclical; equal, but not to m: another season.
 *
 * @param values one a period, null = missing
 * @param seasons m
 * @param halfWidth w, in periods; half a season when left out
 * @example peakSpacing([1, 3, 1, 0, 1, 3, 1, 0, 1, 3, 1], 4, 1).verdict // 'seasonal'
 */
export function peakSpacing(
  values: readonly Value[],
  seasons: number,
  halfWidth = Math.max(1, Math.floor(seasons / 2)),
): PeakSpacing {
  const peaks = turns(values, halfWidth)
  const troughs = turns(
    values.map((value) => (value === null ? null : -value)),
    halfWidth,
  )
  const gapsBetweenPeaks = gaps(peaks)
  const gapsBetweenTroughs = gaps(troughs)
  return {
    peaks,
    troughs,
    gapsBetweenPeaks,
    gapsBetweenTroughs,
    verdict: verdictOf([...gapsBetweenPeaks, ...gapsBetweenTroughs], seasons),
  }
}

function turns(values: readonly Value[], w: number): number[] {
  const places: number[] = []
  for (let i = w; i + w < values.length; i++) {
    if (values[i] !== null && isTurn(values, i, w)) places.push(i + 1)
  }
  return places
}

function isTurn(values: readonly Value[], at: number, w: number): boolean {
  const own = values[at]!
  for (let k = 1; k <= w; k++) {
    const before = values[at - k]!
    const after = values[at + k]!
    if (before === null || after === null || before >= own || after > own) return false
  }
  // A plateau ends where it goes down; one that goes on up, or into a gap, is no peak.
  for (let i = at + 1; i < values.length; i++) {
    const next = values[i]!
    if (next !== own) return next !== null && next < own
  }
  return false
}

function gaps(places: readonly number[]): number[] {
  return places.slice(1).map((place, i) => place - places[i]!)
}

function verdictOf(all: readonly number[], seasons: number): PeakVerdict | null {
  if (all.length < 2) return null
  if (all.every((gap) => gap === seasons)) return 'seasonal'
  const near = all.filter((gap) => Math.abs(gap - seasons) <= 1).length
  if (seasons > 1 && near >= NEARLY * all.length) return 'nearly-seasonal'
  return all.every((gap) => gap === all[0]) ? 'another-season' : 'cyclical'
}
