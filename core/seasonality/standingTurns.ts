import type { Value } from '../series/series'
import { median } from '../statistics/average'
import type { PeakSpacing } from './peakSpacing'

/** Peaks and troughs that stand out, as entries from 1. */
export interface StandingTurns {
  readonly peaks: readonly number[]
  readonly troughs: readonly number[]
}

/** A turn stands out when it is at least this share of the usual one away from its neighbours of the other kind. */
const SHARE_OF_USUAL = 0.5

/**
 * The turns that stand out: a peak among noise on the way to another is none that anybody would count.
 *
 * How far a peak stands out is what lies between it and the higher of the troughs on either side (of a trough likewise);
 * those of less than half of the median are passed over.
 *
 * @param values one a period, null = missing
 * @example of peaks that rise by 100, 90, 5 and 110 from the troughs beside them: the third is passed over
 */
export function standingTurns(
  values: readonly Value[],
  { peaks, troughs }: Pick<PeakSpacing, 'peaks' | 'troughs'>,
): StandingTurns {
  const at = (place: number) => values[place - 1]!
  const heights = (own: readonly number[], others: readonly number[]) =>
    own.map((place) => {
      const before = others.findLast((other) => other < place)
      const after = others.find((other) => other > place)
      const sides = [before, after].filter((other) => other !== undefined)
      return sides.length === 0
        ? null
        : Math.min(...sides.map((other) => Math.abs(at(place) - at(other))))
    })
  const [ofPeaks, ofTroughs] = [heights(peaks, troughs), heights(troughs, peaks)]
  const usual = median([...ofPeaks, ...ofTroughs].filter((height) => height !== null)) ?? 0
  const stands = (height: Value) => height === null || height >= SHARE_OF_USUAL * usual
  return {
    peaks: peaks.filter((_, i) => stands(ofPeaks[i]!)),
    troughs: troughs.filter((_, i) => stands(ofTroughs[i]!)),
  }
}
