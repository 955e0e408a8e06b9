import { MODEL } from '../model'
import type { Value } from '../series/series'
import { median } from '../statistics/average'
import type { SearchedModel } from './search'

/** A level that changes from one period to the next, and stays. */
export interface LevelStep {
  /** The first entry of the new level. */
  readonly at: number
  /** By how much, as a share or an amount. */
  readonly size: number
}

/**
 * Whether the level jumps somewhere: the median departure over half a year before a period and over half a
 * year from it on differ by more than chance makes them, and most there.
 *
 * An average of a year turns a jump into a ramp, before which values lie on one side of it and after which on
 * the other; so the two halves stand out although the average follows.
 *
 * @param values one a period
 * @param half half a year in periods
 * @example a level of 100 that is 125 from entry 40 on, with noise of 2%: at 40, by about 0.25
 */
export function levelStep(
  values: readonly Value[],
  { departures, beyond, usual, model }: SearchedModel,
  half: number,
): LevelStep | null {
  const n = departures.length
  if (half < 2 || n < 2 * half) return null
  let best: LevelStep | null = null
  for (let at = half; at <= n - half; at++) {
    const before = middleOf(departures.slice(at - half, at), half)
    const after = middleOf(departures.slice(at, at + half), half)
    if (before === null || after === null) continue
    const size = after - before
    if (!best || Math.abs(size) > Math.abs(best.size)) best = { at, size }
  }
  if (!best || Math.abs(best.size) <= beyond * Math.sqrt(2 / half)) return null
  // The season taken out, the values themselves must say it too: a level that bends, or a season that moves,
  // leaves departures without a jump.
  const { takeOut, neutral } = MODEL[model]
  const level = values.map((value, i) =>
    value === null || usual[i] === null ? null : takeOut(value, usual[i]!),
  )
  const before = middleOf(level.slice(best.at - half, best.at), half)
  const after = middleOf(level.slice(best.at, best.at + half), half)
  if (before === null || after === null || (model === 'multiplicative' && before <= 0)) return null
  const size = takeOut(after, before) - neutral
  return Math.abs(size) > beyond ? { at: best.at, size } : null
}

/** Median of a half, of which at least half must be there: two months of a flood are no step. */
function middleOf(values: readonly Value[], half: number): number | null {
  const present = values.filter((value) => value !== null)
  return present.length < half / 2 ? null : median(present)
}
