import type { Chart, Plugin } from 'chart.js'
import { faded, type Palette } from '~/theme/palette'
import { columnWidth, type TimeAxis } from '../axis/timeAxis'
import type { Layer, Point, Strip } from './strips'
import type { Mark } from '~~/core/column/column'

/** Share of a column that a bar takes up. */
const BAR_WIDTH = 0.66
/** Opacity of bars in actual periods and, paler, in the forecast. */
const BAR_OPACITY = { actual: 0.82, forecast: 0.4 }
const BAND_OPACITY = 0.17
/** Points are left away when periods stand closer than this. */
const POINTS_FROM_PX = 7
const POINT_RADIUS = 2.3
/** Of a value between two gaps, which has no line to stand on. */
const LONE_RADIUS = 1.5

const STROKE: Readonly<Partial<Record<Mark, { width: number; dash?: number[] }>>> = {
  'line-points': { width: 1.3 },
  'line-thin': { width: 1.4 },
  'line-thick': { width: 2.6 },
  'line-dotted': { width: 1.8, dash: [1.5, 3.5] },
  'line-dashed': { width: 1.8, dash: [6, 4] },
}

const RING = { radius: 4.5, width: 1.3 }
const DOT_RADIUS = 2.6
/** Side of a point that stands close to others. */
const SPECK = 1.6

/** What layers are drawn from. */
export interface LayerDrawing {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
}

/**
 * Draws the layers of a strip straight onto a chart, which keeps to its scales. As datasets, with an
 * element and options for each of hundreds of points, they took most of the time of a repaint.
 *
 * @param drawing asked for at every draw, so that the chart itself can stay
 */
export function layerPlugin(drawing: () => LayerDrawing): Plugin<'line'> {
  return {
    id: 'component-layers',
    beforeDatasetsDraw(chart) {
      const { left, top, bottom, width, height } = chart.chartArea
      const context = chart.ctx
      context.save()
      context.beginPath()
      context.rect(left, top, width, height)
      context.clip()
      drawLayers({ context, top, bottom, ...drawing(), ...pixelsOf(chart) })
      context.restore()
    },
  }
}

interface Canvas extends LayerDrawing {
  readonly context: CanvasRenderingContext2D
  /** Edges of the chart's own area, in pixels. */
  readonly top: number
  readonly bottom: number
  x(t: number): number
  y(value: number): number
}

function pixelsOf({ scales }: Chart): Pick<Canvas, 'x' | 'y'> {
  return {
    x: (t) => scales.x!.getPixelForValue(t),
    y: (value) => scales.y!.getPixelForValue(value),
  }
}

/** Bands lie beneath bars and stems, and these beneath the lines. */
function drawLayers(canvas: Canvas) {
  const { layers } = canvas.strip
  for (const layer of layers) if (layer.kind === 'band') drawBand(canvas, layer)
  for (const layer of layers) {
    if (layer.kind === 'series' && layer.mark === 'bars') drawBars(canvas, layer)
    if (layer.kind === 'series' && layer.mark === 'stems') drawStems(canvas, layer)
  }
  for (const layer of layers) {
    if (layer.kind !== 'series') continue
    if (STROKE[layer.mark]) drawLine(canvas, layer)
    if (layer.mark === 'rings' || layer.mark === 'dots') drawLone(canvas, layer)
    if (layer.mark === 'peaks' || layer.mark === 'troughs') drawTurns(canvas, layer)
  }
  for (const layer of layers) if (layer.kind === 'gaps') drawGaps(canvas, layer)
  for (const layer of layers) if (layer.kind === 'series' && layer.notes) drawNote(canvas, layer)
}

type SeriesLayer = Layer & { kind: 'series' }

function drawLine(canvas: Canvas, { points, mark, component, opacity }: SeriesLayer) {
  const { context, axis, palette } = canvas
  const { width, dash = [] } = STROKE[mark]!
  const colour = faded(palette[component], opacity ?? 1)
  const shown = inWindow(points, axis)
  context.strokeStyle = context.fillStyle = colour
  context.lineWidth = width
  context.lineJoin = 'round'
  context.lineCap = mark === 'line-dotted' ? 'round' : 'butt'
  context.setLineDash(dash)
  context.beginPath()
  trace(canvas, shown)
  context.stroke()
  if (mark !== 'line-points') return
  const isDotted = columnWidth(axis) > POINTS_FROM_PX
  drawPoints(canvas, isDotted ? shown : alone(shown), isDotted ? POINT_RADIUS : LONE_RADIUS)
}

function drawLone(canvas: Canvas, { points, mark, component, opacity }: SeriesLayer) {
  const { context, axis, palette } = canvas
  const shown = inWindow(points, axis)
  context.fillStyle = context.strokeStyle = faded(palette[component], opacity ?? 1)
  if (mark === 'dots') {
    const isDotted = columnWidth(axis) > POINTS_FROM_PX
    return isDotted
      ? drawPoints(insideHeight(canvas), shown, DOT_RADIUS)
      : drawSpecks(insideHeight(canvas), shown)
  }
  context.lineWidth = RING.width
  context.setLineDash([])
  pathAround(canvas, shown, RING.radius)
  context.stroke()
}

const TURN = { size: 4.5, distance: 9 }

/** Triangles that point at peaks from above and at troughs from below. */
function drawTurns(canvas: Canvas, { points, mark, component }: SeriesLayer) {
  const { context, palette, axis, x, y } = canvas
  const up = mark === 'peaks' ? -1 : 1
  context.fillStyle = palette[component]
  context.beginPath()
  for (const point of inWindow(points, axis)) {
    if (point.y === null) continue
    const [left, tip] = [x(point.x), y(point.y) + up * (TURN.distance - TURN.size)]
    context.moveTo(left, tip)
    context.lineTo(left - TURN.size, tip + up * TURN.size * 1.4)
    context.lineTo(left + TURN.size, tip + up * TURN.size * 1.4)
    context.closePath()
  }
  context.fill()
}

const SMALL_FONT = '11px "Inter Variable", sans-serif'
/** Half a mark of a turn, which the line does not touch. */
const TURN_PX = 5
const GAP_TEXT = { distance: 12, fewestPixels: 16 }

/** The number of periods between two turns, on a line that reaches from the one to the other. */
function drawGaps(canvas: Canvas, { gaps, side }: Layer & { kind: 'gaps' }) {
  const { context, palette, axis, top, bottom, x, y } = canvas
  context.font = SMALL_FONT
  context.fillStyle = palette.muted
  context.strokeStyle = palette.ruleStrong
  context.lineWidth = 1
  context.setLineDash([])
  context.textAlign = 'center'
  context.textBaseline = 'middle'
  for (const { from, to, text } of gaps) {
    const middle = (from.x + to.x) / 2
    if (x(to.x) - x(from.x) < GAP_TEXT.fewestPixels || middle < axis.from || middle > axis.to) {
      continue
    }
    const heights = [y(from.y!), y(to.y!)]
    const height =
      side === 'above'
        ? Math.max(top + 6, Math.min(...heights) - GAP_TEXT.distance)
        : Math.min(bottom - 6, Math.max(...heights) + GAP_TEXT.distance)
    const half = context.measureText(text).width / 2 + 3
    context.beginPath()
    context.moveTo(x(from.x) + TURN_PX, height)
    context.lineTo(x(middle) - half, height)
    context.moveTo(x(middle) + half, height)
    context.lineTo(x(to.x) - TURN_PX, height)
    context.stroke()
    context.fillText(text, x(middle), height)
  }
}

const NOTE = { font: '12px "Inter Variable", sans-serif', height: 14, apart: 12, edge: 10, halo: 4 }

interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/**
 * What a line says of itself, beside it: over it or under it, at its left, its middle or its right, wherever the
 * fewest points of the strip lie; on a halo of paper, so that it can be read over what is there all the same.
 */
function drawNote(canvas: Canvas, { points, component, notes = [] }: SeriesLayer) {
  const { context, palette, axis, x } = canvas
  context.font = NOTE.font
  const room = x(axis.to) - x(axis.from) - 2 * NOTE.edge
  const note = notes.find((text) => context.measureText(text).width <= room)
  if (note === undefined) return
  const { width } = context.measureText(note)
  const box = freestOf(notePlaces(canvas, points, width), pointsInSight(canvas))
  if (!box) return
  context.textAlign = 'left'
  context.textBaseline = 'middle'
  context.lineJoin = 'round'
  context.setLineDash([])
  context.strokeStyle = palette.paper
  context.lineWidth = NOTE.halo
  context.fillStyle = palette[component]
  const middle = (box.top + box.bottom) / 2
  context.strokeText(note, box.left, middle)
  context.fillText(note, box.left, middle)
}

/** Where a note of a width can stand beside a line, each place clear of the line itself. */
function notePlaces(canvas: Canvas, points: readonly Point[], width: number): Box[] {
  const { axis, top, bottom, x, y } = canvas
  const shown = inWindow(points, axis).filter((point) => point.y !== null)
  if (shown.length === 0) return []
  const [first, last] = [x(axis.from) + NOTE.edge, x(axis.to) - NOTE.edge - width]
  return [last, (first + last) / 2, first].flatMap((left) => {
    const over = shown.filter((point) => x(point.x) >= left && x(point.x) <= left + width)
    const heights = (over.length > 0 ? over : shown).map((point) => y(point.y!))
    const place = (edge: number): Box => {
      const kept = Math.min(bottom - NOTE.height - 2, Math.max(top + 2, edge))
      return { left, right: left + width, top: kept, bottom: kept + NOTE.height }
    }
    return [
      place(Math.min(...heights) - NOTE.apart - NOTE.height),
      place(Math.max(...heights) + NOTE.apart),
      place(Math.max(...heights) + 3 * NOTE.apart),
    ]
  })
}

function pointsInSight({ strip, axis, x, y }: Canvas): { x: number; y: number }[] {
  return strip.layers.flatMap((one) =>
    one.kind === 'series'
      ? inWindow(one.points, axis).flatMap((point) =>
          point.y === null ? [] : [{ x: x(point.x), y: y(point.y) }],
        )
      : [],
  )
}

/** The first of the places in which the fewest points lie. */
function freestOf(places: readonly Box[], points: readonly { x: number; y: number }[]): Box | null {
  let best: { box: Box; count: number } | null = null
  for (const box of places) {
    const count = points.filter(
      ({ x, y }) =>
        x >= box.left - 4 && x <= box.right + 4 && y >= box.top - 3 && y <= box.bottom + 3,
    ).length
    if (!best || count < best.count) best = { box, count }
  }
  return best?.box ?? null
}

/** What lies beyond the scale stands at its edge. */
function insideHeight(canvas: Canvas): Canvas {
  const { top, bottom } = canvas
  const within = (pixel: number) => Math.min(bottom - DOT_RADIUS, Math.max(top + DOT_RADIUS, pixel))
  return { ...canvas, y: (value) => within(canvas.y(value)) }
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

function drawPoints(canvas: Canvas, points: readonly Point[], radius: number) {
  pathAround(canvas, points, radius)
  canvas.context.fill()
}

/** Points that stand too close for circles, which would hide each other and what lies beneath. */
function drawSpecks({ context, x, y }: Canvas, points: readonly Point[]) {
  for (const point of points) {
    if (point.y === null) continue
    context.fillRect(x(point.x) - SPECK / 2, y(point.y) - SPECK / 2, SPECK, SPECK)
  }
}

/** Begins a path of one circle a defined point. */
function pathAround({ context, x, y }: Canvas, points: readonly Point[], radius: number) {
  context.beginPath()
  for (const point of points) {
    if (point.y === null) continue
    context.moveTo(x(point.x) + radius, y(point.y))
    context.arc(x(point.x), y(point.y), radius, 0, 2 * Math.PI)
  }
}

/** Values between two gaps: they must not go with the zoom. */
function alone(points: readonly Point[]): Point[] {
  return points.filter(
    ({ y }, i) =>
      y !== null && (points[i - 1]?.y ?? null) === null && (points[i + 1]?.y ?? null) === null,
  )
}

function drawBand(canvas: Canvas, { lower, upper }: Layer & { kind: 'band' }) {
  const { context, axis, palette, x, y } = canvas
  const edge = [...inWindow(upper, axis), ...inWindow(lower, axis).reverse()]
  context.fillStyle = faded(palette.forecast, BAND_OPACITY)
  context.beginPath()
  for (const point of edge) if (point.y !== null) context.lineTo(x(point.x), y(point.y))
  context.fill()
}

function drawBars(canvas: Canvas, layer: SeriesLayer) {
  const { context, axis, palette, x, y } = canvas
  const width = Math.max(1, columnWidth(axis) * BAR_WIDTH)
  const base = y(canvas.strip.baseline ?? 0)
  const colour = palette[layer.component]
  const tints = {
    actual: faded(colour, BAR_OPACITY.actual),
    forecast: faded(colour, BAR_OPACITY.forecast),
  }
  for (const point of inWindow(layer.points, axis)) {
    if (point.y === null) continue
    context.fillStyle = point.x >= (layer.paleFrom ?? Infinity) ? tints.forecast : tints.actual
    const top = y(point.y)
    context.fillRect(x(point.x) - width / 2, Math.min(top, base), width, Math.abs(top - base))
  }
}

function drawStems(canvas: Canvas, layer: SeriesLayer) {
  const { context, axis, palette, x, y } = canvas
  const [width, radius] = columnWidth(axis) > POINTS_FROM_PX ? [1.6, 2.6] : [1, 1.2]
  const base = y(canvas.strip.baseline ?? 0)
  const shown = inWindow(layer.points, axis)
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

/** Points inside the window and one beyond either edge, to which lines run on. */
function inWindow(points: readonly Point[], { from, to }: TimeAxis): Point[] {
  return points.filter(({ x }) => x > from - 1.5 && x < to + 1.5)
}
