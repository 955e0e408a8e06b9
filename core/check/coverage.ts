import { ownWidth, limitsFrom, type PastErrors } from '../forecast/pastErrors'
import type { Value } from '../series/series'
import type { Try } from './rolling'

/** How often limits held what came. */
export interface Coverage {
  readonly byHorizon: readonly Held[]
  readonly pooled: Held
}

/** Of so many actual values, so many lay within the limits, limits included. */
export interface Held {
  readonly count: number
  /** From 0 to 1; undefined where there were no limits to hold. */
  readonly share: Value
}

/** Coverage of the limits of a level: as they are, and as limits from past errors would have had it. */
export interface LevelCoverage {
  readonly level: number
  readonly inUse: Coverage
  readonly pastErrors: Coverage
}

/** Earlier errors of a horizon that a half-width must rest on to be judged. */
const FEWEST_EARLIER = 8

/** How often the model's limits of a level held. */
export function coverageOfModel(tries: readonly Try[], level: number): Coverage {
  return coverageOf(tries, (one) => one.limits[level] ?? null)
}

/**
 * How often limits from past errors would have held, without fitting anything again: at each origin they are made
 * of the errors of earlier origins whose actual values were known by then, horizon by horizon.
 *
 * @param tries in the order of their origins
 * @param level in per cent
 */
export function coverageOfPastErrors(
  tries: readonly Try[],
  level: number,
  scale: PastErrors['scale'],
): Coverage {
  return coverageOf(tries, (one) => {
    const widths = one.forecast.map((_, i) => {
      const earlier = tries.flatMap((before) =>
        before.origin + i + 1 <= one.origin ? errorsAt(before, i, scale) : [],
      )
      return earlier.length < FEWEST_EARLIER ? null : ownWidth(earlier, level)
    })
    const limits = limitsFrom(
      one.forecast,
      scale,
      widths.map((width) => width ?? NO_WIDTH),
    )
    const known = (side: readonly Value[]) =>
      side.map((value, i) => (widths[i] === null ? null : value))
    return { lower: known(limits.lower), upper: known(limits.upper) }
  })
}

const NO_WIDTH = { reach: 0, count: 0, origin: { how: 'before', from: 0 } } as const

/** The error of a try at a horizon (from 0), as a list of none or one. */
export function errorsAt(
  { actual, forecast }: Try,
  i: number,
  scale: PastErrors['scale'],
): number[] {
  const [y, point] = [actual[i] ?? null, forecast[i]]
  if (y === null || point === undefined) return []
  return [scale === 'shares' ? Math.log(y) - Math.log(point) : y - point]
}

/**
 * Whether the errors of these tries are shares or amounts: shares where the way works in proportion and every
 * value in question is above 0.
 *
 * @param forecast that the limits are put around
 */
export function scaleOfErrors(
  tries: readonly Try[],
  inProportion: boolean,
  forecast: readonly number[],
): PastErrors['scale'] {
  const areAbove = (values: readonly Value[]) =>
    values.every((value) => value === null || value > 0)
  return inProportion &&
    areAbove(forecast) &&
    tries.every((one) => one.inProportion && areAbove(one.actual) && areAbove(one.forecast))
    ? 'shares'
    : 'amounts'
}

function coverageOf(
  tries: readonly Try[],
  limitsOf: (
    one: Try,
  ) => { readonly lower: readonly Value[]; readonly upper: readonly Value[] } | null,
): Coverage {
  const longest = Math.max(0, ...tries.map(({ actual }) => actual.length))
  const counts = Array.from({ length: longest }, () => ({ count: 0, held: 0 }))
  for (const one of tries) {
    const limits = limitsOf(one)
    one.actual.forEach((y, i) => {
      const [lower, upper] = [limits?.lower[i] ?? null, limits?.upper[i] ?? null]
      if (y === null || lower === null || upper === null) return
      counts[i]!.count++
      if (lower <= y && y <= upper) counts[i]!.held++
    })
  }
  const heldOf = ({ count, held }: (typeof counts)[number]): Held => ({
    count,
    share: count === 0 ? null : held / count,
  })
  const all = counts.reduce(
    (sum, one) => ({ count: sum.count + one.count, held: sum.held + one.held }),
    { count: 0, held: 0 },
  )
  return { byHorizon: counts.map(heldOf), pooled: heldOf(all) }
}

/**
 * Whether a share that was found agrees with the level that was promised: off by no more than two standard
 * errors, errors of one origin counting as one, since they share what came.
 */
export function agrees(level: number, { count, share }: Held, horizon: number): boolean {
  if (share === null) return true
  const p = level / 100
  return Math.abs(share - p) <= 2 * Math.sqrt((p * (1 - p)) / Math.max(1, count / horizon))
}
