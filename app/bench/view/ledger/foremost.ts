import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'
import { mean } from '~~/core/statistics/average'

/**
 * The figure that a mark shows of the periods that share its pixel: of what is read against a baseline the one furthest from it,
 * so that what stands out is seen; of a level their mean.
 *
 * @param figures one a period
 * @param from place of the first of them, which may lie before all figures
 * @param each how many share the pixel
 */
export function foremost(
  { baseline }: Pick<Column, 'baseline'>,
  figures: readonly Value[],
  from: number,
  each: number,
): Value {
  const there = figures
    .slice(Math.max(0, from), Math.max(0, from + each))
    .filter((value) => value !== null)
  if (baseline === null) return mean(there)
  return there.reduce<Value>(
    (most, value) =>
      most === null || Math.abs(value - baseline) > Math.abs(most - baseline) ? value : most,
    null,
  )
}
