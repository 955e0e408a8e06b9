import type { Column } from '../../core/column/column'
import { rowDecimals } from '../../core/column/rowDecimals'
import { displayScale } from '../../core/words/displayScale'
import type { Places } from './places'

/** Decimals that the figures of a row are shown with: in their own unit, never in thousands of it. */
export function decimalsIn({ result }: Places): (row: Column) => number {
  const scale = displayScale(result.columns.value, result.series.unit)
  const own = scale.divisor > 1 ? { ...scale, decimals: 0, valueDecimals: 0, divisor: 1 } : scale
  return (row) => rowDecimals(row, own)[1]
}
