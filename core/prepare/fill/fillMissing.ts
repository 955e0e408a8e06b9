import { MODEL, type Model } from '../../model'
import type { Value } from '../../series/series'

/** What is done with missing values. */
export const MISSING_RULES = ['leave', 'interpolate', 'seasonal', 'zero'] as const
export type MissingRule = (typeof MISSING_RULES)[number]

/** Whether a method puts 0 in the place of a missing value. */
export function fillsWithZero({
  missing,
}: {
  readonly missing?: MissingRule | undefined
}): boolean {
  return missing === 'zero'
}

/** A defined value next to a gap. */
export interface GapEdge {
  readonly t: number
  /** In the units that are interpolated: sales, or deseasonalized sales. */
  readonly value: number
}

/** A value that stands in for a missing one, and what it was made from. */
export interface FilledValue {
  readonly t: number
  readonly value: number
  /** The values on either side of the gap; null for a zero. */
  readonly between: { readonly before: GapEdge; readonly after: GapEdge } | null
  /** The index put back after interpolating the deseasonalized series; null for the other rules. */
  readonly index: Value
}

/**
 * Values for the missing periods of a series.
 *
 * `interpolate` draws a straight line between the values on either side of a gap; `seasonal` does the
 * same with the deseasonalized series and puts the season back; `zero` says that there was nothing.
 * At the ends of a series a gap stays: there is nothing to interpolate between, and no telling whether it is 0.
 *
 * @param values one a period, null = missing
 * @param firstT time code of the first entry
 * @param rule what to do
 * @param season for `seasonal`: the model and the index of every entry, estimated with the gaps left
 * @returns one entry for each period that is filled
 * @example fillMissing([10, null, null, 16], 1, 'interpolate') // 12 at t = 2, 14 at t = 3
 */
export function fillMissing(
  values: readonly Value[],
  firstT: number,
  rule: MissingRule,
  season: { readonly model: Model; readonly index: readonly number[] } | null = null,
): FilledValue[] {
  if (rule === 'leave') return []
  const level = season
    ? values.map((value, i) =>
        value === null ? null : MODEL[season.model].takeOut(value, season.index[i]!),
      )
    : values
  return values.flatMap((value, i): FilledValue[] => {
    if (value !== null) return []
    const t = firstT + i
    const between = edgesOf(level, i, firstT)
    if (!between) return []
    if (rule === 'zero') return [{ t, value: 0, between: null, index: null }]
    const straight = onLine(between, t)
    const index = season ? season.index[i]! : null
    return [
      {
        t,
        value: season ? MODEL[season.model].putBack(straight, index!) : straight,
        between,
        index,
      },
    ]
  })
}

/** The height at t of the line between two values: before + (after − before) × steps ÷ gap. */
function onLine({ before, after }: NonNullable<FilledValue['between']>, t: number): number {
  return before.value + (after.value - before.value) * ((t - before.t) / (after.t - before.t))
}

function edgesOf(level: readonly Value[], at: number, firstT: number): FilledValue['between'] {
  const before = level.findLastIndex((value, i) => i < at && value !== null)
  const after = level.findIndex((value, i) => i > at && value !== null)
  if (before < 0 || after < 0) return null
  return {
    before: { t: firstT + before, value: level[before]! },
    after: { t: firstT + after, value: level[after]! },
  }
}
