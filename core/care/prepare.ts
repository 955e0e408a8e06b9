import { decompose } from '../decompose/decompose'
import type { Method } from '../method'
import type { Series } from '../series/series'
import { stretchOf, type Stretch } from '../series/stretch'
import { requireUsable } from '../series/usable'
import { adjustedValues } from '../series/adjusted'
import { fillMissing, type FilledValue } from './fillMissing'

/** The analysed part of a series, made ready for the calculation. */
export interface PreparedStretch {
  /** As it came in. */
  readonly original: Stretch
  /** With adjustments put in, and gaps filled by the method's rule. */
  readonly used: Stretch
  readonly filled: readonly FilledValue[]
}

/**
 * Cuts the analysed span out of a series, puts the analyst's adjustments in and fills what is
 * missing. Nothing outside the span is used for it.
 *
 * @param exclude time codes left out of the indices; seasonal filling needs indices of its own
 * @throws Refusal for an adjustment that does not fit, for values too large to calculate with, and,
 *   with seasonal filling, for what the decomposition refuses
 */
export function prepareStretch(
  series: Series,
  method: Method,
  firstT: number,
  lastT: number,
  exclude: ReadonlySet<number>,
): PreparedStretch {
  const adjusted = { ...series, values: adjustedValues(series) }
  requireUsable(adjusted)
  const before = stretchOf(adjusted, firstT, lastT)
  const season =
    method.missing === 'seasonal' && before.values.includes(null)
      ? {
          model: method.decompose.model,
          index: decompose(before, method.decompose, exclude).index,
        }
      : null
  const filled = fillMissing(before.values, firstT, method.missing, season)
  const values = [...before.values]
  for (const { t, value } of filled) values[t - firstT] = value
  return {
    original: stretchOf(series, firstT, lastT),
    used: { ...before, values },
    filled,
  }
}
