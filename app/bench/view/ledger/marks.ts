import type { Palette } from '~~/core/picture/draw/palette'
import type { Cell } from '~~/core/column/cell'
import type { Column } from '~~/core/column/column'
import type { Value } from '~~/core/series/series'
import { columnWidth, periodsInside, xOf, type TimeAxis } from '~~/core/picture/draw/timeAxis'
import { foremost } from './foremost'
import { shadeOf, type Range } from './shade'

/** What the zoomed-out ledger is drawn from. */
export interface MarksDrawing {
  readonly axis: TimeAxis
  readonly rows: readonly Column[]
  readonly rowHeight: number
  /** Time code of the first figure of every row. */
  readonly firstT: number
  readonly figures: ReadonlyMap<string, readonly Value[]>
  readonly ranges: ReadonlyMap<string, Range | null>
  readonly palette: Palette
  readonly selected: Cell | null
  readonly sources: ReadonlyMap<string, ReadonlySet<number>>
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
  const first = Math.max(periods[0]!, drawing.firstT)
  rows.forEach((row, i) => {
    const range = drawing.ranges.get(row.name)
    const figures = drawing.figures.get(row.name)
    if (!range || !figures) return
    const sources = drawing.sources.get(row.name)
    const top = i * rowHeight + 5
    const tall = rowHeight - 10
    const from = first - Math.ceil(row.offset)
    const end = periods.at(-1)!
    const each = Math.max(1, Math.floor(1 / (width * ratio)))
    for (let t = from; t <= end; t += each) {
      const value = foremost(row, figures, t - drawing.firstT, each)
      if (value === null) continue
      const left = xOf(axis, t + row.offset) - width / 2
      const { colour, opacity } = shadeOf(row, value, range, palette, 0.85)
      context.globalAlpha = opacity
      context.fillStyle = colour
      context.fillRect(left + gap / 2, top, width * each - gap, tall)
    }
    const marked = new Set(sources)
    if (drawing.selected?.column === row.name) marked.add(drawing.selected.t)
    context.globalAlpha = 1
    for (const t of marked) {
      if (t < from || t > end || (figures[t - drawing.firstT] ?? null) === null) continue
      const isSelected = drawing.selected?.column === row.name && drawing.selected.t === t
      context.fillStyle = isSelected ? palette.ink : palette.muted
      const left = xOf(axis, t + row.offset) - width / 2
      context.fillRect(left, top + tall + 1, Math.max(2, width), 2)
    }
  })
}
