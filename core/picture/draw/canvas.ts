import type { Palette } from './palette'
import type { TimeAxis } from './timeAxis'
import type { Layer, Point, Strip } from '../strips'

/** What layers are drawn from. */
export interface LayerDrawing {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
}

/** What draws: a canvas on the screen, or what writes the same strokes down as a picture of lines. */
export type Pen = Pick<
  CanvasRenderingContext2D,
  | 'fillStyle'
  | 'strokeStyle'
  | 'lineWidth'
  | 'lineJoin'
  | 'lineCap'
  | 'setLineDash'
  | 'font'
  | 'textAlign'
  | 'textBaseline'
  | 'beginPath'
  | 'moveTo'
  | 'lineTo'
  | 'closePath'
  | 'arc'
  | 'rect'
  | 'fillRect'
  | 'fill'
  | 'stroke'
  | 'fillText'
  | 'strokeText'
  | 'measureText'
>

/** What a layer is drawn on: a chart's own area, with the pixels of its scales. */
export interface Canvas extends LayerDrawing {
  readonly context: Pen
  /** Edges of the chart's own area, in pixels. */
  readonly top: number
  readonly bottom: number
  x(t: number): number
  y(value: number): number
}

export type SeriesLayer = Layer & { kind: 'series' }

/** Points are left away, or drawn small, when periods stand closer than this. */
export const POINTS_FROM_PX = 7

/** Points inside the window and one beyond either edge, to which lines run on. */
export function inWindow(points: readonly Point[], { from, to }: TimeAxis): Point[] {
  return points.filter(({ x }) => x > from - 1.5 && x < to + 1.5)
}

/** A filled circle at every defined point. */
export function drawPoints(canvas: Canvas, points: readonly Point[], radius: number) {
  pathAround(canvas, points, radius)
  canvas.context.fill()
}

/** Begins a path of one circle a defined point. */
export function pathAround({ context, x, y }: Canvas, points: readonly Point[], radius: number) {
  context.beginPath()
  for (const point of points) {
    if (point.y === null) continue
    context.moveTo(x(point.x) + radius, y(point.y))
    context.arc(x(point.x), y(point.y), radius, 0, 2 * Math.PI)
  }
}
