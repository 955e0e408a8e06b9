import type { Chart, Plugin } from 'chart.js'
import { faded, type Palette } from '~/theme/palette'
import { columnWidth, type TimeAxis } from '../axis/timeAxis'
import type { Layer, Strip } from './strips'

/** Share of a column that a bar takes up. */
const BAR_WIDTH = 0.66
/** Opacity of bars in actual periods and, paler, in the forecast. */
const BAR_OPACITY = { actual: 0.82, forecast: 0.4 }

/** What bars and stems are drawn from. */
export interface MarkDrawing {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
}

/**
 * Draws bars and stems straight onto a chart. As datasets of hundreds of single elements they took
 * most of the time of a repaint; here they are a rectangle each, at the pixel of the shared axis.
 *
 * @param drawing asked for at every draw, so that the chart itself can stay
 */
export function markPlugin(drawing: () => MarkDrawing): Plugin<'line'> {
  return {
    id: 'component-marks',
    beforeDatasetsDraw(chart) {
      const { strip, axis, palette } = drawing()
      for (const layer of strip.layers) {
        if (layer.kind === 'band') continue
        if (layer.mark === 'bars') drawBars(chart, layer, strip, axis, palette)
        if (layer.mark === 'stems') drawStems(chart, layer, strip, axis, palette)
      }
    },
  }
}

type SeriesLayer = Layer & { kind: 'series' }

function drawBars(
  chart: Chart,
  layer: SeriesLayer,
  strip: Strip,
  axis: TimeAxis,
  palette: Palette,
) {
  const width = Math.max(1, columnWidth(axis) * BAR_WIDTH)
  const colour = palette[layer.component]
  inside(chart, (context) => {
    eachPoint(chart, layer, strip, axis, (x, y, base, t) => {
      const isPale = t >= (layer.paleFrom ?? Infinity)
      context.fillStyle = faded(colour, isPale ? BAR_OPACITY.forecast : BAR_OPACITY.actual)
      context.fillRect(x - width / 2, Math.min(y, base), width, Math.abs(y - base))
    })
  })
}

function drawStems(
  chart: Chart,
  layer: SeriesLayer,
  strip: Strip,
  axis: TimeAxis,
  palette: Palette,
) {
  const column = columnWidth(axis)
  const [width, radius] = column > 7 ? [1.6, 2.6] : [1, 1.2]
  inside(chart, (context) => {
    context.fillStyle = palette[layer.component]
    context.beginPath()
    eachPoint(chart, layer, strip, axis, (x, y, base) => {
      context.rect(x - width / 2, Math.min(y, base), width, Math.abs(y - base))
      context.moveTo(x + radius, y)
      context.arc(x, y, radius, 0, 2 * Math.PI)
    })
    context.fill()
  })
}

/** Draws clipped to the chart's own area. */
function inside({ ctx, chartArea }: Chart, draw: (context: CanvasRenderingContext2D) => void) {
  const { left, top, width, height } = chartArea
  ctx.save()
  ctx.beginPath()
  ctx.rect(left, top, width, height)
  ctx.clip()
  draw(ctx)
  ctx.restore()
}

/** Calls for every defined point of the window with its pixels and that of the baseline. */
function eachPoint(
  { scales }: Chart,
  { points }: SeriesLayer,
  strip: Strip,
  { from, to }: TimeAxis,
  act: (x: number, y: number, base: number, t: number) => void,
) {
  const { x, y } = scales
  const base = y!.getPixelForValue(strip.baseline ?? 0)
  for (const point of points) {
    if (point.y === null || point.x < from - 0.5 || point.x > to + 0.5) continue
    act(x!.getPixelForValue(point.x), y!.getPixelForValue(point.y), base, point.x)
  }
}
