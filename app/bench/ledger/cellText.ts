import type { DisplayScale } from '~/figures/displayScale'
import { formatDecimals } from '~/figures/format'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'

/** Columns from here on have room for a third decimal of a factor. */
const THIRD_DECIMAL_FROM_PX = 31

/** Whether a row holds factors, which are not counted in the unit of the series. */
export function isFactor(row: Column): boolean {
  return row.baseline === 1
}

/** A figure as a narrow cell shows it: on the display scale, or a factor with two or three decimals. */
export function cellText(row: Column, value: Value, scale: DisplayScale, width: number): string {
  if (value === null) return ''
  if (isFactor(row)) return formatDecimals(value, width >= THIRD_DECIMAL_FROM_PX ? 3 : 2)
  if (row.unit === '%') return formatDecimals(value, 1)
  const decimals = row.name === 'value' ? scale.valueDecimals : scale.decimals
  return formatDecimals(value / scale.divisor, decimals)
}
