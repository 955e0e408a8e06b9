import type { Value } from '../series/series'

/** A forecast from an earlier origin, beside what came. One entry a horizon in both lists. */
export interface Tried {
  /** Time code of the last period that was known. */
  readonly origin: number
  readonly forecast: readonly number[]
  readonly actual: readonly Value[]
}

/** The same over the periods of a span, undefined where it does not reach. */
export function triedOverSpan(
  { origin, forecast, actual }: Tried,
  of: 'forecast' | 'error',
  firstT: number,
  count: number,
): Value[] {
  return Array.from({ length: count }, (_, i): Value => {
    const h = firstT + i - origin - 1
    const point = forecast[h]
    const came = actual[h] ?? null
    if (point === undefined) return null
    if (of === 'forecast') return point
    return came === null ? null : came - point
  })
}
