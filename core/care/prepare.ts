import { wayOf, type DecompositionOptions } from '../decompose/ways'
import { adjustedValues } from '../series/adjusted'
import type { Series } from '../series/series'
import { stretchOf, type Stretch } from '../series/stretch'
import { requireUsable } from '../series/usable'
import { fillMissing, type FilledValue, type MissingRule } from './fillMissing'

/** The analysed part of a series, made ready for the calculation. */
export interface PreparedStretch {
  /** As it came in. */
  readonly original: Stretch
  /** With adjustments put in, and gaps filled by the method's rule. */
  readonly used: Stretch
  readonly filled: readonly FilledValue[]
}

/** What is analysed of a series, and how its gaps are filled. */
export interface Preparation {
  /** Time codes of the first and the last analysed period. */
  readonly firstT: number
  readonly lastT: number
  readonly missing: MissingRule
  /** Seasonal filling needs indices of its own; null where there are none, and gaps stay. */
  readonly decompose: DecompositionOptions | null
  readonly leftOut: ReadonlySet<number>
}

/**
 * Cuts the analysed span out of a series, puts the analyst's adjustments in and fills what is
 * missing. Nothing outside the span is used for it.
 *
 * @throws Refusal for an adjustment that does not fit, for values too large to calculate with, and,
 *   with seasonal filling, for what the decomposition refuses
 */
export function prepareStretch(
  series: Series,
  { firstT, lastT, missing, decompose, leftOut }: Preparation,
): PreparedStretch {
  const adjusted = { ...series, values: adjustedValues(series) }
  requireUsable(adjusted)
  const before = stretchOf(adjusted, firstT, lastT)
  const original = stretchOf(series, firstT, lastT)
  if (missing === 'leave' || !before.values.includes(null)) {
    return { original, used: before, filled: [] }
  }
  if (missing === 'seasonal' && !decompose) return { original, used: before, filled: [] }
  const season =
    missing === 'seasonal' && decompose
      ? {
          model: decompose.model,
          index: wayOf(decompose.by).decompose(before, decompose, leftOut).index,
        }
      : null
  const filled = fillMissing(before.values, firstT, missing, season)
  const values = [...before.values]
  for (const { t, value } of filled) values[t - firstT] = value
  return { original, used: { ...before, values }, filled }
}
