import { wayOf } from '../decompose/ways'
import type { Result } from '../result'
import type { Value } from '../series/series'

/** How far a value beside its level is believed, and what stands in its place; undefined where it is only weighed less. */
export interface BelievedInPart {
  /** From 0 to 1. */
  readonly weight: number
  readonly inPlace: Value
}

/** The periods whose seasonal-irregular is not believed in full, by time code; none of a way that believes all. */
export function believedInPart({
  method,
  decomposition,
  columns,
}: Result): ReadonlyMap<number, BelievedInPart> {
  const way = wayOf(method.decompose.by)
  const weights = way.weights(decomposition)
  const inPlace = way.inPlace?.(decomposition)
  return new Map(
    columns.t.flatMap((t, i) => {
      const weight = weights?.[i] ?? 1
      return weight < 1 ? [[t, { weight, inPlace: inPlace?.[i] ?? null }] as const] : []
    }),
  )
}
