import { Refusal } from '../refusal'
import { tQuantile } from '../statistics/distributions'
import { limitOf } from './beyondNumbers'
import type { Limits } from './limits'

/** How a half-width came about. */
export type WidthOrigin =
  /** The rank-th smallest of the errors of its horizon. */
  | { readonly how: 'rank'; readonly rank: number }
  /** Too few errors for that rank: t · √(mean e²) · √(1 + 1/K). */
  | { readonly how: 'spread'; readonly quantile: number; readonly rms: number }
  /** Never less than at a horizon before: that one's. */
  | { readonly how: 'before'; readonly from: number }
  /** Never less than at a lower level: that one's. */
  | { readonly how: 'level'; readonly level: number }
  /** Fewer than four errors: that of another horizon, times √(h/h′), or as it is for a shorter one. */
  | { readonly how: 'grown'; readonly from: number; readonly factor: number }

/** Half of the width of the limits at a horizon. */
export interface HalfWidth {
  /** Of ln y where errors are shares, else in units of the series. */
  readonly reach: number
  /** Errors at this horizon. */
  readonly count: number
  readonly origin: WidthOrigin
}

/** How far off a forecast from an earlier origin was. */
export interface PastError {
  /** Time code of the last period that was known. */
  readonly origin: number
  /** ln y − ln ŷ where errors are shares, else y − ŷ. */
  readonly error: number
}

/** What limits from past errors were made of. */
export interface PastErrors {
  /** Whether errors are ln y − ln ŷ, or y − ŷ. */
  readonly scale: 'shares' | 'amounts'
  /** Origins that forecasts were made from. */
  readonly origins: number
  /** One list a horizon, that of one period first, in the order of the origins. */
  readonly errors: readonly (readonly PastError[])[]
  /** Keyed by level, one entry a horizon. */
  readonly widths: Readonly<Record<string, readonly HalfWidth[]>>
}

/** With fewer errors at a horizon it takes the width of another. */
const FEWEST_ERRORS = 4

/**
 * Half-widths of limits from the errors of earlier forecasts, horizon by horizon.
 *
 * Of K errors at a horizon the ⌈(K + 1)·level⌉-th smallest |e|: a new error is as likely as any other to be the
 * smallest, the second smallest …, so that this one covers it with the level asked for. Beyond K a t interval
 * around 0 stands in. Neighbouring origins share most of what they forecast, so the promise is approximate.
 *
 * @param errors by horizon, that of one period first
 * @param level in per cent
 * @param horizon periods
 * @throws Refusal when no horizon has four errors
 * @see Vovk, V., Gammerman, A. & Shafer, G. (2005), Algorithmic Learning in a Random World, ch. 2
 * @example 36 errors at a level of 80%: the 30th smallest, ⌈37 × 0.8⌉
 */
export function halfWidths(
  errors: readonly (readonly number[])[],
  level: number,
  horizon: number,
): HalfWidth[] {
  const known = (h: number) => (errors[h - 1]?.length ?? 0) >= FEWEST_ERRORS
  const first = Array.from({ length: horizon }, (_, i) => i + 1).find(known)
  if (first === undefined) {
    throw new Refusal(
      'Limits from past errors need at least four earlier forecasts of the same horizon, and the series is too short for them. Take the limits of the model.',
      'forecast.limits',
    )
  }
  const widths: HalfWidth[] = []
  let [last, lastReach] = [0, 0]
  for (let h = 1; h <= horizon; h++) {
    const count = errors[h - 1]?.length ?? 0
    if (known(h)) {
      const own = ownWidth(errors[h - 1]!, level)
      const before = widest(widths)
      widths.push(
        own.reach < before.reach
          ? { reach: before.reach, count, origin: { how: 'before', from: before.from } }
          : own,
      )
      ;[last, lastReach] = [h, widths.at(-1)!.reach]
    } else if (last > 0) {
      const factor = Math.sqrt(h / last)
      widths.push({
        reach: lastReach * factor,
        count,
        origin: { how: 'grown', from: last, factor },
      })
    } else {
      const { reach } = ownWidth(errors[first - 1]!, level)
      widths.push({ reach, count, origin: { how: 'grown', from: first, factor: 1 } })
    }
  }
  return widths
}

/**
 * Half-widths of several levels, none nearer than that of a lower one: with few errors the t interval of 95% can fall inside
 * the rank of 80%.
 *
 * @param levels in per cent
 * @returns keyed by level
 */
export function widthsOfLevels(
  errors: readonly (readonly number[])[],
  levels: readonly number[],
  horizon: number,
): Record<string, HalfWidth[]> {
  let lower: { readonly level: number; readonly widths: readonly HalfWidth[] } | null = null
  const byLevel: Record<string, HalfWidth[]> = {}
  for (const level of [...levels].sort((a, b) => a - b)) {
    const widths: HalfWidth[] = halfWidths(errors, level, horizon).map((own, i) => {
      const below = lower?.widths[i]
      if (!below || own.reach >= below.reach) return own
      return { reach: below.reach, count: own.count, origin: { how: 'level', level: lower!.level } }
    })
    byLevel[level] = widths
    lower = { level, widths }
  }
  return byLevel
}

/** The errors that a half-width rests on, in the end. */
export interface ErrorsBehind {
  /** The horizon that they are of, which need not be the one that was asked for. */
  readonly horizon: number
  /** The smallest first, whatever their sign. */
  readonly errors: readonly PastError[]
  /** How the half-width is taken from them. */
  readonly origin: WidthOrigin & { readonly how: 'rank' | 'spread' }
}

/**
 * The errors behind the limits of a horizon: where those are of another horizon or level, the errors of that one.
 *
 * @param horizon from 1
 * @returns null for a level or horizon that there are no limits of
 */
export function errorsBehind(
  past: Pick<PastErrors, 'widths' | 'errors'>,
  level: number,
  horizon: number,
): ErrorsBehind | null {
  const origin = past.widths[level]?.[horizon - 1]?.origin
  switch (origin?.how) {
    case undefined:
      return null
    case 'level':
      return errorsBehind(past, origin.level, horizon)
    case 'before':
    case 'grown':
      return errorsBehind(past, level, origin.from)
    case 'rank':
    case 'spread': {
      const own = [...(past.errors[horizon - 1] ?? [])]
      own.sort((a, b) => Math.abs(a.error) - Math.abs(b.error))
      return { horizon, errors: own, origin }
    }
  }
}

/** The last of the half-widths so far, which is the widest, and the horizon that it was made at. */
function widest(widths: readonly HalfWidth[]): { readonly reach: number; readonly from: number } {
  const last = widths.at(-1)
  if (!last) return { reach: 0, from: 0 }
  const { reach, origin } = last
  return { reach, from: origin.how === 'before' ? origin.from : widths.length }
}

/** The half-width that the errors of one horizon give by themselves. */
export function ownWidth(errors: readonly number[], level: number): HalfWidth {
  const count = errors.length
  // 0.8 × 10 is a hair above 8 in doubles; without the hair taken off the rank would be one too high.
  const rank = Math.ceil((count + 1) * (level / 100) - 1e-9)
  if (rank <= count) {
    const sizes = Float64Array.from(errors, Math.abs).sort()
    return { reach: sizes[rank - 1]!, count, origin: { how: 'rank', rank } }
  }
  const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / count)
  const quantile = tQuantile(level, count)
  return {
    reach: quantile * rms * Math.sqrt(1 + 1 / count),
    count,
    origin: { how: 'spread', quantile, rms },
  }
}

/** ŷ · exp(±reach) where errors are shares, ŷ ± reach where they are amounts. */
export function limitsFrom(
  forecast: readonly number[],
  scale: PastErrors['scale'],
  widths: readonly HalfWidth[],
): Limits {
  const limit = (sign: 1 | -1) =>
    forecast.map((point, i) => {
      const { reach } = widths[i]!
      return limitOf(scale === 'shares' ? point * Math.exp(sign * reach) : point + sign * reach)
    })
  return { lower: limit(-1), upper: limit(1) }
}
