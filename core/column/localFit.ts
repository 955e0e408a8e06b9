import { MODEL, type Model } from '../model'
import { loess } from '../smoothing/loess'
import type { Cell } from './cell'

/** A local regression as it can be drawn: its window, the weight of every point, and the line. */
export interface LocalFitPicture {
  /** Time code at which it is fitted. */
  readonly at: number
  /** Neighbourhood q, in points. */
  readonly window: number
  readonly degree: 0 | 1
  /** Points inside the window, in units of the fitted value. */
  readonly points: readonly {
    readonly t: number
    readonly value: number
    /** Tricube weight times robustness weight, from 0 to 1. */
    readonly weight: number
  }[]
  /** The local line over the window, in the same units. */
  readonly line: readonly { readonly t: number; readonly value: number }[]
  readonly value: number
  /** The cells with any weight. */
  readonly sources: readonly Cell[]
}

/** What a local regression is fitted to: one entry a point, on the scale on which components add up. */
export interface LocalFitInput {
  /** Time code of each point, a constant step apart. */
  readonly t: readonly number[]
  /** null = missing. */
  readonly z: readonly (number | null)[]
  readonly robustness: readonly number[]
  readonly at: number
  readonly window: number
  readonly degree: 0 | 1
  readonly model: Model
  /** The ledger row that the points belong to. */
  readonly column: Cell['column']
}

/**
 * Fits the local regression of one cell again, from its definition.
 *
 * @returns null where every weight is 0, and another value stands in
 * @see loess
 */
export function localFit(input: LocalFitInput): LocalFitPicture | null {
  const { t, z, at, window, degree, column } = input
  const back = MODEL[input.model].fromSum
  const step = t.length > 1 ? t[1]! - t[0]! : 1
  const place = (of: number) => (of - t[0]!) / step + 1
  const fit = loess(
    { x: t.map(place), y: z.map((value) => value ?? 0), weights: input.robustness },
    place(at),
    window,
    degree,
  )
  if (fit.value === null) return null
  const inside = t.flatMap((own, i) =>
    z[i] !== null && Math.abs(place(own) - place(at)) < fit.bandwidth
      ? [{ t: own, value: back(z[i]!), weight: fit.weights[i]! }]
      : [],
  )
  const ends = [inside[0]?.t ?? at, inside.at(-1)?.t ?? at]
  const steps = 24
  return {
    at,
    window,
    degree,
    points: inside,
    line: Array.from({ length: steps + 1 }, (_, i) => {
      const own = ends[0]! + ((ends[1]! - ends[0]!) * i) / steps
      return { t: own, value: back(fit.value! + fit.slope * (place(own) - place(at))) }
    }),
    value: back(fit.value),
    sources: inside.filter(({ weight }) => weight > 0).map((point) => ({ column, t: point.t })),
  }
}
