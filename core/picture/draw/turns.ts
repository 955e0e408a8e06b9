import type { Layer } from '../strips'
import { inWindow, type Canvas, type SeriesLayer } from './canvas'

const TURN = { size: 4.5, distance: 9 }

/** Triangles that point at peaks from above and at troughs from below. */
export function drawTurns(canvas: Canvas, { points, mark, component }: SeriesLayer) {
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
export function drawGaps(canvas: Canvas, { gaps, side }: Layer & { kind: 'gaps' }) {
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
