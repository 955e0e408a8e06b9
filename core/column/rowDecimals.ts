import type { DisplayScale } from '../words/displayScale'
import type { Column } from './column'

/** Decimals of a factor, at the least and where there is room. */
const FACTOR_DECIMALS = [2, 3] as const

/** Decimals a row is shown with: at the least, and where its columns are wide enough. */
export function rowDecimals(
  { measure, name }: Pick<Column, 'measure' | 'name'>,
  scale: DisplayScale,
): readonly [number, number] {
  switch (measure) {
    case 'factor':
    case 'share':
      return FACTOR_DECIMALS
    case 'percent':
      return [1, 1]
    case 'count':
      return [0, 0]
    case 'number':
      return [2, 2]
    default: {
      const own = name === 'value' || name === 'original' ? scale.valueDecimals : scale.decimals
      // Counted in thousands a figure has digits that the scale alone leaves out.
      return [own, scale.divisor > 1 ? scale.fineDecimals : own]
    }
  }
}
