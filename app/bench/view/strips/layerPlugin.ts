import type { Chart, Plugin } from 'chart.js'
import type { Canvas, LayerDrawing } from '~~/core/picture/draw/canvas'
import { drawLayers } from '~~/core/picture/draw/layers'

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
