import { median, sum } from '../statistics/average'
import type { Value } from '../series/series'

/** A level that has changed lately, as the same season a year before tells it. */
export interface RecentShift {
  /** Entry of the first period of the new level. */
  readonly at: number
  /** As a share of the level before: 0.5 is half as much again. */
  readonly size: number
}

/** Turns of the seasons, back from the end, that the ratios are looked at over. */
const LOOKS_BACK = 3
/** A change begins so many turns before the end at the most; it is over in the ratios after one. */
const BEGINS_WITHIN = 2
/** Ratios that a changed level must rest on. */
const FEWEST = 4
/** Smaller changes are growth. */
const LEAST = Math.log(1.2)
/** What a change explains of how far all ratios are from the usual one; a level that wanders leaves more. */
const EXPLAINS = 0.5
/** Robust standard deviations of what is left over that a change must be. */
const STANDS_OUT = 5

/**
 * Whether the level has changed in the last two years, and stayed: from some period on the values stand to those of the same
 * season a year before in another ratio than they did, for a year or to the end.
 *
 * A step in the values is looked for elsewhere with half a year on either side of it; a catalogue wants to be told sooner, and a step
 * down is not hidden by a single month that is high.
 *
 * @param values one a period, null = missing; none is told where one of the last three years is not above 0
 * @param seasons m, 4 or more
 * @returns null where nothing has changed, or too little is known
 * @example ten years around 100, the last eight months around 60: at the first of them, −0.4
 */
export function recentShift(values: readonly Value[], seasons: number): RecentShift | null {
  if (seasons < FEWEST) return null
  const count = values.length
  const from = Math.max(seasons, count - LOOKS_BACK * seasons)
  const ratios: Ratio[] = []
  for (let at = from; at < count; at++) {
    const [now, before] = [values[at]!, values[at - seasons]!]
    if (now === null || before === null) continue
    if (now <= 0 || before <= 0) return null
    ratios.push({ at, ratio: Math.log(now / before) })
  }
  if (ratios.length < 2 * seasons) return null
  const earliest = Math.max(from + seasons, count - Math.floor(BEGINS_WITHIN * seasons))
  const splits = Array.from({ length: Math.max(0, count - FEWEST - earliest + 1) }, (_, i) =>
    splitAt(ratios, earliest + i, seasons),
  ).filter((split) => split !== null)
  const best = splits.reduce<Split | null>(
    (least, one) => (least === null || one.left < least.left ? one : least),
    null,
  )
  if (!best) return null
  const size = Math.abs(best.shift)
  const isClear = best.left <= (1 - EXPLAINS) * best.whole && size >= STANDS_OUT * best.scale
  return isClear && size >= LEAST ? { at: best.at, size: Math.exp(best.shift) - 1 } : null
}

interface Ratio {
  readonly at: number
  readonly ratio: number
}

/** The ratios of a year from some period on, against the others. */
interface Split {
  readonly at: number
  /** Between the medians of the two. */
  readonly shift: number
  /** Distances of all from the usual ratio, as if nothing had changed. */
  readonly whole: number
  /** Of all from the median of their side: their sum, and as a robust standard deviation. */
  readonly left: number
  readonly scale: number
}

function splitAt(ratios: readonly Ratio[], at: number, seasons: number): Split | null {
  const isChanged = (one: Ratio) => one.at >= at && one.at < at + seasons
  const after = ratios.filter(isChanged).map(({ ratio }) => ratio)
  const others = ratios.filter((one) => !isChanged(one)).map(({ ratio }) => ratio)
  if (after.length < FEWEST || others.length < seasons) return null
  const [middle, usual] = [median(after)!, median(others)!]
  const distances = [...apart(after, middle), ...apart(others, usual)]
  return {
    ...{ at, shift: middle - usual },
    whole: sum(apart([...after, ...others], usual)),
    ...{ left: sum(distances), scale: 1.4826 * median(distances)! },
  }
}

function apart(values: readonly number[], from: number): number[] {
  return values.map((value) => Math.abs(value - from))
}
