import type { Model } from '../model'
import type { DesignColumn } from '../regression/design'
import type { Series, Value } from '../series/series'
import { stretchOf, type Stretch } from '../series/stretch'
import type { Hear } from '../work/steps'
import { fill } from './fill/fill'
import type { FilledValue } from './fill/fillMissing'
import { choiceOf, PREPARATIONS, type PreparationDocuments } from './preparations'

/** The analysed part of a series, made ready for the calculation. */
export interface Prepared {
  /** As it came in. */
  readonly original: Stretch
  /** With all put in that stands for what came in: adjustments, and values in the place of missing ones. */
  readonly used: Stretch
  /** With all taken out that comes back in the forecast: what is decomposed, smoothed and fitted. */
  readonly input: Stretch
  readonly filled: readonly FilledValue[]
  /** What each preparation that takes something out has found, by its key; null where nothing was taken out. */
  readonly takenOut: TakenOut | null
}

/** What the preparations found that take something out, by their keys. */
export type TakenOut = Readonly<Record<string, unknown>>

/** What was taken out of the values, by name: `calendar`. */
export function namesTakenOut(found: TakenOut | null | undefined): string[] {
  return Object.keys(found ?? {})
}

/** What is analysed of a series, and how it is prepared. */
export interface ToPrepare {
  /** Time codes of the first and the last analysed period. */
  readonly firstT: number
  readonly lastT: number
  readonly choices: PreparationDocuments
  readonly model: Model
  /** Time code of the last period that a forecast is made for. */
  readonly endT: number
  /** Time codes that are left out of the season. */
  readonly leftOut: ReadonlySet<number>
  /** Columns of season and trend, which what is estimated is estimated beside. */
  beside(): readonly DesignColumn[]
  /** The index of every entry of a stretch by the decomposition of the method; null where there is none to ask. */
  indexOf(stretch: Stretch): readonly number[] | null
  /** Hears how far a long choice has come. */
  readonly hear?: Hear | undefined
}

/**
 * Cuts the analysed span out of a series and carries out its preparations. Nothing outside the span is used for it.
 *
 * @throws Refusal for an adjustment that does not fit, for values too large to calculate with, and for what a preparation
 *   refuses
 */
export function prepare(series: Series, { firstT, lastT, choices, ...basis }: ToPrepare): Prepared {
  const original = stretchOf(series, firstT, lastT)
  let [used, input] = [original, original]
  let filled: readonly FilledValue[] = []
  const takenOut: Record<string, unknown> = {}
  for (const one of PREPARATIONS) {
    const taken = one.estimate({ series, stretch: input, ...basis }, choiceOf(choices, one))
    if (taken === null) continue
    input = { ...input, values: one.leave(input.values, taken, firstT) }
    if (one.back) takenOut[one.key] = taken
    else used = input
    if (one.key === fill.key) filled = taken as readonly FilledValue[]
  }
  const isAny = Object.keys(takenOut).length > 0
  return { original, used, input, filled, takenOut: isAny ? takenOut : null }
}

/** A value at a time code, with everything in it again that was taken out: what was taken out last comes back first. */
export function putBack(takenOut: TakenOut, value: Value, t: number): Value {
  if (value === null) return null
  return PREPARATIONS.toReversed().reduce((whole, { key, back }) => {
    return back && key in takenOut ? back.value(whole, t, takenOut[key]) : whole
  }, value)
}

/** Numbers that were estimated for what was taken out: what it costs in degrees of freedom. */
export function costOf(takenOut: TakenOut | null): number {
  return PREPARATIONS.reduce(
    (sum, { key, back }) =>
      takenOut && back && key in takenOut ? sum + back.cost(takenOut[key]) : sum,
    0,
  )
}

/** The standard error that what was taken out adds to a forecast that it is in again; 0 where it is known for sure. */
export function errorOfPuttingBack(takenOut: TakenOut, whole: number, t: number): number {
  return Math.hypot(
    ...PREPARATIONS.map(({ key, back }) =>
      back && key in takenOut ? (back.error?.(t, takenOut[key], whole) ?? 0) : 0,
    ),
  )
}
