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
  /** The same in units of the series, whatever the model. */
  readonly amount: number
}

/** On fewer values than this on either side no step rests, however short a year is. */
const FEWEST_VALUES = 4

/** Of a step this share at least is there over a year on either side. */
const STAYS = 0.5

/**
 * Whether the level jumps somewhere: the median departure over half a year before a period and over half a
 * year from it on differ by more than chance makes them, and most there.
 *
 * An average of a year turns a jump into a ramp, before which values lie on one side of it and after which on
 * the other; so the two halves stand out although the average follows. The values themselves, the season taken out, must say
 * the same over half a year and four values at least on either side, and half as much over a year, beyond what the level usually
 * grows by from one year to the next: a level that bends, a season
 * that moves, a stretch of three months, or the last two values of a series leave departures without a step. Values that were filled in say nothing of one.
 *
 * @param values one a period
 * @param half half a year in periods
 * @param cameIn whether the value of an entry came in
 * @example a level of 100 that is 125 from entry 40 on, with noise of 2%: at 40, by about 0.25
 */
export function levelStep(
  values: readonly Value[],
  { departures, beyond, usual, model }: SearchedModel,
  half: number,
  cameIn: (entry: number) => boolean,
): LevelStep | null {
  const n = departures.length
  const apart = Math.max(half, FEWEST_VALUES)
  if (half < 2 || n < 2 * apart) return null
  const own = (of: readonly Value[]) => of.map((value, i) => (cameIn(i) ? value : null))
  const counted = own(departures)
  let best: Omit<LevelStep, 'amount'> | null = null
  for (let at = apart; at <= n - apart; at++) {
    const before = middleOf(counted.slice(at - half, at), half / 2)
    const after = middleOf(counted.slice(at, at + half), half / 2)
    if (before === null || after === null) continue
    const size = after - before
    if (!best || Math.abs(size) > Math.abs(best.size)) best = { at, size }
  }
  if (!best || Math.abs(best.size) <= beyond * Math.sqrt(2 / half)) return null
  const { takeOut, neutral } = MODEL[model]
  const level = own(
    values.map((value, i) =>
      value === null || usual[i] === null ? null : takeOut(value, usual[i]!),
    ),
  )
  // Enough of those that are near must have come in: a step is no gap with two sides.
  const reach = 2 * apart
  const before = middleOf(
    present(level.slice(Math.max(0, best.at - reach), best.at)).slice(-apart),
    apart,
  )
  const after = middleOf(present(level.slice(best.at, best.at + reach)).slice(0, apart), apart)
  if (before === null || after === null || (model === 'multiplicative' && before <= 0)) return null
  const size = takeOut(after, before) - neutral
  if (Math.abs(size) <= beyond) return null
  // A stretch of a few months, half of the half year beside it, is no level that stays: a year must say the same, beyond what
  // the level grows by from year to year anyway.
  const overYear = (at: number) => {
    const [own, next] = [level.slice(Math.max(0, at - reach), at), level.slice(at, at + reach)]
    const [from, to] = [middleOf(own, apart), middleOf(next, apart)]
    const isLevel = from !== null && to !== null && (model === 'additive' || from > 0)
    return isLevel ? takeOut(to, from) - neutral : null
  }
  const stays = overYear(best.at)
  if (stays === null) return null
  const usually = median(present(Array.from({ length: n }, (_, at) => overYear(at)))) ?? 0
  const isSame = (stays - usually) * Math.sign(size) > Math.max(beyond, STAYS * Math.abs(size))
  return isSame ? { at: best.at, size, amount: after - before } : null
}

function present(values: readonly Value[]): number[] {
  return values.filter((value) => value !== null)
}

/** Median of values, so many of which must be there: two months of a flood are no step. */
function middleOf(values: readonly Value[], fewest: number): number | null {
  const there = present(values)
  return there.length < fewest ? null : median(there)
}
