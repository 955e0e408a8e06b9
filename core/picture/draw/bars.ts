import { faded } from './palette'
import { columnWidth } from './timeAxis'
import type { Layer, Point } from '../strips'
import { perPixel } from './perPixel'
import { drawPoints, inWindow, POINTS_FROM_PX, type Canvas, type SeriesLayer } from './canvas'

/** Share of a column that a bar takes up. */
const BAR_WIDTH = 0.66
/** Opacity of bars in actual periods and, paler, in the forecast. */
const BAR_OPACITY = { actual: 0.82, forecast: 0.4 }
const BAND_OPACITY = 0.17

/** The room between limits. */
export function drawBand(canvas: Canvas, { lower, upper }: Layer & { kind: 'band' }) {
  const { context, axis, palette, x, y } = canvas
  const side = (points: readonly Point[]) => perPixel(inWindow(points, axis), axis)
  const edge = [...side(upper), ...side(lower).toReversed()]
  context.fillStyle = faded(palette.forecast, BAND_OPACITY)
  context.beginPath()
  for (const point of edge) if (point.y !== null) context.lineTo(x(point.x), y(point.y))
  context.fill()
}

/** Bars from the baseline, paler in the forecast. */
export function drawBars(canvas: Canvas, layer: SeriesLayer) {
  const { context, axis, palette, x, y } = canvas
  const width = Math.max(1, columnWidth(axis) * BAR_WIDTH)
  const base = y(canvas.strip.baseline ?? 0)
  const colour = palette[layer.component]
  const tints = {
    actual: faded(colour, BAR_OPACITY.actual),
    forecast: faded(colour, BAR_OPACITY.forecast),
  }
  for (const point of perPixel(inWindow(layer.points, axis), axis)) {
    if (point.y === null) continue
    context.fillStyle = point.x >= (layer.paleFrom ?? Infinity) ? tints.forecast : tints.actual
    const top = y(point.y)
    context.fillRect(x(point.x) - width / 2, Math.min(top, base), width, Math.abs(top - base))
  }
}

/** Stems from the baseline with heads. */
export function drawStems(canvas: Canvas, layer: SeriesLayer) {
  const { context, axis, palette, x, y } = canvas
  const [width, radius] = columnWidth(axis) > POINTS_FROM_PX ? [1.6, 2.6] : [1, 1.2]
  const base = y(canvas.strip.baseline ?? 0)
  const shown = perPixel(inWindow(layer.points, axis), axis)
  context.fillStyle = palette[layer.component]
  context.beginPath()
  for (const point of shown) {
    if (point.y === null) continue
    const top = y(point.y)
    context.rect(x(point.x) - width / 2, Math.min(top, base), width, Math.abs(top - base))
  }
  context.fill()
  drawPoints(canvas, shown, radius)
}
