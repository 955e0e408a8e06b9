import { rowDecimals } from '~~/core/column/rowDecimals'
import type { DisplayScale } from '~~/core/words/displayScale'
import { formatDecimals } from '~/figures/format'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'
import { textWidth } from '../textWidth'
import { rangeOf } from './shade'

/** What cells of a row are shown with. */
export interface CellFormat {
  readonly divisor: number
  readonly decimals: number
}

/** What a cell keeps free at both sides together, so that figures of neighbours never touch. */
const MARGIN_PX = 7
/** Narrower columns are shaded marks. */
const NARROWEST_PX = 26
function divisorOf({ measure }: Pick<Column, 'measure'>, scale: DisplayScale): number {
  return measure === 'level' || measure === 'difference' ? scale.divisor : 1
}

/** Pixels that the longest figure of a row takes up, its neighbours' distance included. */
export function widestFigure(values: readonly Value[], { divisor, decimals }: CellFormat): number {
  const range = rangeOf(values)
  if (!range) return NARROWEST_PX
  const widths = [range.low, range.high].map((value) =>
    textWidth(formatDecimals(value / divisor, decimals)),
  )
  return Math.max(NARROWEST_PX, Math.ceil(Math.max(...widths) + MARGIN_PX))
}

/** The narrowest columns in which every figure of every row can be read. */
export function narrowestColumn(
  rows: readonly Column[],
  valuesOf: (name: string) => readonly Value[],
  scale: DisplayScale,
): number {
  return rows.reduce((most, row) => {
    const [least] = rowDecimals(row, scale)
    const format = { divisor: divisorOf(row, scale), decimals: least }
    return Math.max(most, widestFigure(valuesOf(row.name), format))
  }, NARROWEST_PX)
}

/** The most decimals of a row that fit its columns, down to the least it makes sense with. */
export function cellFormat(
  row: Pick<Column, 'measure' | 'name'>,
  values: readonly Value[],
  scale: DisplayScale,
  width: number,
): CellFormat {
  const [least, most] = rowDecimals(row, scale)
  const divisor = divisorOf(row, scale)
  for (let decimals = most; decimals > least; decimals--) {
    if (widestFigure(values, { divisor, decimals }) <= width) return { divisor, decimals }
  }
  return { divisor, decimals: least }
}

/** A figure as a cell of that format shows it; nothing for what is undefined. */
export function figureText(value: Value, { divisor, decimals }: CellFormat): string {
  return value === null ? '' : formatDecimals(value / divisor, decimals)
}
