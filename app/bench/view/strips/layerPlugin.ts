import type { Chart, Plugin } from 'chart.js'
import { drawBand, drawBars, drawStems } from './layers/bars'
import type { Canvas, LayerDrawing } from './layers/canvas'
import { drawLine, drawLone } from './layers/lines'
import { drawNote } from './layers/note'
import { drawGaps, drawTurns } from './layers/turns'
import { STROKES } from './strokes'

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
    if (STROKES[layer.mark]) drawLine(canvas, layer)
    if (layer.mark === 'rings' || layer.mark === 'dots') drawLone(canvas, layer)
    if (layer.mark === 'peaks' || layer.mark === 'troughs') drawTurns(canvas, layer)
  }
  for (const layer of layers) if (layer.kind === 'gaps') drawGaps(canvas, layer)
  for (const layer of layers) if (layer.kind === 'series' && layer.notes) drawNote(canvas, layer)
}
