import type { Point } from '../strips'
import { inWindow, type Canvas, type SeriesLayer } from './canvas'

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
export function drawNote(canvas: Canvas, { points, component, notes = [] }: SeriesLayer) {
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
