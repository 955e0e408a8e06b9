import { faded } from './palette'
import { perPixel } from './perPixel'
import { columnWidth } from './timeAxis'
import type { Point } from '../strips'
import { STROKES } from './strokes'
import {
  drawPoints,
  inWindow,
  pathAround,
  POINTS_FROM_PX,
  type Canvas,
  type SeriesLayer,
} from './canvas'

const POINT_RADIUS = 2.3
/** Of a value between two gaps, which has no line to stand on. */
const LONE_RADIUS = 1.5

const RING = { radius: 4.5, width: 1.3 }
const DOT_RADIUS = 2.6
const ARROW = { length: 7, half: 4 }
/** Side of a point that stands close to others. */
const SPECK = 1.6
/** More than any strip is high: a pixel's column and row make one number. */
const ROWS_OF_PIXELS = 1e5

/** A line, with a point at every value where there is room. */
export function drawLine(canvas: Canvas, { points, mark, component, opacity }: SeriesLayer) {
  const { context, axis, palette } = canvas
  const { width, dash = [], cap = 'butt' } = STROKES[mark]!
  const colour = faded(palette[component], opacity ?? 1)
  const shown = perPixel(inWindow(points, axis), axis)
  context.strokeStyle = context.fillStyle = colour
  context.lineWidth = width
  context.lineJoin = 'round'
  context.lineCap = cap
  context.setLineDash(dash)
  context.beginPath()
  trace(canvas, shown)
  context.stroke()
  drawBeyond(
    canvas,
    shown.filter(({ x }) => x >= axis.from && x <= axis.to),
  )
  if (mark !== 'line-points') return
  const isDotted = columnWidth(axis) > POINTS_FROM_PX
  drawPoints(canvas, isDotted ? shown : alone(shown), isDotted ? POINT_RADIUS : LONE_RADIUS)
}

/** Values that stand alone: rings around others, or dots. */
export function drawLone(canvas: Canvas, { points, mark, component, opacity }: SeriesLayer) {
  const { context, axis, palette } = canvas
  const shown = inWindow(points, axis)
  context.fillStyle = context.strokeStyle = faded(palette[component], opacity ?? 1)
  if (mark === 'dots') {
    const isDotted = columnWidth(axis) > POINTS_FROM_PX
    const inside = shown.filter((point) => beyond(canvas, point) === null)
    if (isDotted) drawPoints(canvas, inside, DOT_RADIUS)
    else drawSpecks(canvas, inside)
    return drawBeyond(canvas, perPixel(shown, axis))
  }
  context.lineWidth = RING.width
  context.setLineDash([])
  pathAround(canvas, shown, RING.radius)
  context.stroke()
}

/** Over which edge of the scale a value lies; null within it. */
function beyond({ top, bottom, y }: Canvas, point: Point): 'over' | 'under' | null {
  if (point.y === null) return null
  if (y(point.y) < top) return 'over'
  return y(point.y) > bottom ? 'under' : null
}

/** What lies beyond the scale is an arrowhead at its edge, so that nobody takes the edge for its place. */
function drawBeyond(canvas: Canvas, points: readonly Point[]) {
  const { context, top, bottom, x } = canvas
  if (points.every((point) => beyond(canvas, point) === null)) return
  context.beginPath()
  for (const point of points) {
    const side = beyond(canvas, point)
    if (side === null) continue
    const [tip, base] =
      side === 'over' ? [top, top + ARROW.length] : [bottom, bottom - ARROW.length]
    context.moveTo(x(point.x), tip)
    context.lineTo(x(point.x) - ARROW.half, base)
    context.lineTo(x(point.x) + ARROW.half, base)
    context.closePath()
  }
  context.fill()
}

/** Adds a line through points to the path, broken where a value is missing. */
function trace({ context, x, y }: Canvas, points: readonly Point[]) {
  let isDown = false
  for (const point of points) {
    if (point.y === null) isDown = false
    else if (isDown) context.lineTo(x(point.x), y(point.y))
    else {
      context.moveTo(x(point.x), y(point.y))
      isDown = true
    }
  }
}

/** Points that stand too close for circles, which would hide each other and what lies beneath; what shares a pixel is drawn once. */
function drawSpecks({ context, x, y }: Canvas, points: readonly Point[]) {
  const drawn = new Set<number>()
  for (const point of points) {
    if (point.y === null) continue
    const pixel = Math.round(x(point.x)) * ROWS_OF_PIXELS + Math.round(y(point.y))
    if (drawn.has(pixel)) continue
    drawn.add(pixel)
    context.fillRect(x(point.x) - SPECK / 2, y(point.y) - SPECK / 2, SPECK, SPECK)
  }
}

/** Values between two gaps: they must not go with the zoom. */
function alone(points: readonly Point[]): Point[] {
  return points.filter(
    ({ y }, i) =>
      y !== null && (points[i - 1]?.y ?? null) === null && (points[i + 1]?.y ?? null) === null,
  )
}
