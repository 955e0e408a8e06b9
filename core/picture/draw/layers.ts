import { drawBand, drawBars, drawStems } from './bars'
import type { Canvas } from './canvas'
import { drawLine, drawLone } from './lines'
import { drawNote } from './note'
import { STROKES } from './strokes'
import { drawGaps, drawTurns } from './turns'

/** Draws the layers of a strip: bands lie beneath bars and stems, and these beneath the lines. */
export function drawLayers(canvas: Canvas) {
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
