import type { Palette } from '~/theme/palette'
import type { Cell, CellColumn } from '~~/core/ledger/cell'
import type { LedgerRow } from '~~/core/ledger/rows'
import type { Value } from '~~/core/series'
import { columnWidth, periodsInside, xOf, type TimeAxis } from '../axis/timeAxis'
import { shadeOf, type Range } from './shade'

/** What the zoomed-out ledger is drawn from. */
export interface MarksDrawing {
  readonly axis: TimeAxis
  readonly rows: readonly LedgerRow[]
  readonly rowHeight: number
  valueAt(column: CellColumn, t: number): Value
  rangeOf(column: CellColumn): Range | null
  readonly palette: Palette
  readonly selected: Cell | null
  isSource(column: CellColumn, t: number): boolean
}

/** Draws every cell in the window as a shaded mark at its place on the shared axis. */
export function drawMarks(canvas: HTMLCanvasElement, drawing: MarksDrawing): void {
  const { axis, rows, rowHeight, palette } = drawing
  const ratio = window.devicePixelRatio || 1
  const height = rows.length * rowHeight
  canvas.width = Math.round(axis.width * ratio)
  canvas.height = Math.round(height * ratio)
  canvas.style.width = `${axis.width}px`
  canvas.style.height = `${height}px`
  const context = canvas.getContext('2d')!
  context.scale(ratio, ratio)
  const width = columnWidth(axis)
  const gap = width > 5 ? 1 : 0
  const periods = periodsInside(axis)
  rows.forEach((row, i) => {
    const range = drawing.rangeOf(row.column)
    if (!range) return
    const top = i * rowHeight + 5
    const tall = rowHeight - 10
    for (let t = periods[0]! - Math.ceil(row.offset); t <= periods.at(-1)!; t++) {
      const value = drawing.valueAt(row.column, t)
      if (value === null) continue
      const left = xOf(axis, t + row.offset) - width / 2
      context.fillStyle = shadeOf(row, value, range, palette, 0.85)
      context.fillRect(left + gap / 2, top, width - gap, tall)
      const isSelected = drawing.selected?.column === row.column && drawing.selected.t === t
      if (isSelected || drawing.isSource(row.column, t)) {
        context.fillStyle = isSelected ? palette.ink : palette.muted
        context.fillRect(left, top + tall + 1, Math.max(2, width), 2)
      }
    }
  })
}
