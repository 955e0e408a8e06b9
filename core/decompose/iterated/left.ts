import { stableSeason, type FTest } from '../../seasonality/stableSeason'
import type { Adjusted } from './adjust'
import { seasonAt } from './frame'

/** A test of the season that is left after adjustment: over all periods, and over the last years by themselves. */
export interface LeftAfter {
  readonly whole: FTest
  /** null where there are no more years than that. */
  readonly lately: FTest | null
}

/** The last years that are looked at by themselves. */
export const LATELY_YEARS = 3
/** Chance below which something is left. It alarms more rarely than that where nothing is left, the season having just been taken out. */
export const LEFT = 0.01

/**
 * Whether the adjusted values still hold a season: their changes from period to period, compared by season.
 *
 * Changes, since a level that wanders would hide it: neighbours share the level.
 */
export function seasonLeft({ frame, rounds }: Pick<Adjusted, 'frame' | 'rounds'>): LeftAfter {
  const { adjusted } = rounds.round3
  const changes = adjusted
    .slice(0, frame.n)
    .map((value, i) => (i === 0 ? null : frame.terms.takeOut(value, adjusted[i - 1]!)))
  const test = (from: number) => {
    const groups = Array.from({ length: frame.seasons }, (): number[] => [])
    changes.forEach((change, i) => {
      if (i >= from && change !== null) groups[seasonAt(frame, i) - 1]!.push(change)
    })
    return stableSeason(groups)
  }
  const from = frame.n - LATELY_YEARS * frame.seasons
  return { whole: test(0), lately: from > 0 ? test(from) : null }
}

/** Whether a test finds something. */
export function isLeft(
  test: FTest | null,
): test is FTest & { readonly f: number; readonly p: number } {
  return test !== null && test.p !== null && test.p < LEFT
}
