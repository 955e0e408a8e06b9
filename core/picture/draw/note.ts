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
 * What a line says of itself, beside it: over it or under it, at its left, its middle or its right, where no point of
 * the strip lies; the longest of its notes that has such a place, and nothing where none has: the working says it too.
 */
export function drawNote(canvas: Canvas, { points, component, notes = [] }: SeriesLayer) {
  const { context, palette, axis, x } = canvas
  context.font = NOTE.font
  const room = x(axis.to) - x(axis.from) - 2 * NOTE.edge
  const inSight = pointsInSight(canvas)
  const placed = notes
    .map((note) => ({ note, width: context.measureText(note).width }))
    .filter(({ width }) => width <= room)
    .map(({ note, width }) => ({
      note,
      box: notePlaces(canvas, points, width).find((place) => isFree(place, inSight)),
    }))
    .find(({ box }) => box)
  if (!placed?.box) return
  const { note, box } = placed
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

function isFree(box: Box, points: readonly { x: number; y: number }[]): boolean {
  return !points.some(
    ({ x, y }) =>
      x >= box.left - 4 && x <= box.right + 4 && y >= box.top - 3 && y <= box.bottom + 3,
  )
}
