import { drawLayers } from '../../core/picture/draw/layers'
import { faded } from '../../core/picture/draw/palette'
import { xOf, type TimeAxis } from '../../core/picture/draw/timeAxis'
import type { ValueMarks } from '../../core/picture/draw/valueMarks'
import type { Strip } from '../../core/picture/strips'
import type { DisplayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import type { Letters } from './look'
import { figureAt, marksWithin } from './scales'
import { escaped, type SvgPen } from './svgPen'
import { writeLine } from './write'

/** Room that a figure of the vertical scale has to itself, in lines. */
const LINES_A_FIGURE = 1
export const MOST_FIGURES = 6
const FORECAST_OPACITY = 0.06

/** Where a strip is drawn. */
export interface Place {
  readonly axis: TimeAxis
  /** Where its plot begins. */
  readonly left: number
  readonly top: number
  readonly bottom: number
  /** Where the forecast begins, on the axis; null where nothing is ahead. */
  readonly aheadFrom: number | null
  readonly letters: Letters
  readonly scale: DisplayScale
  readonly says: ReadersFigures
}

type Range = Pick<ValueMarks, 'low' | 'high'>

/** The ground of strips: what is ahead, and below everything the lines of the first one's scale. */
export function drawGround(pen: SvgPen, { axis, left, top, bottom, aheadFrom }: Place): void {
  if (aheadFrom === null) return
  const x = left + xOf(axis, aheadFrom)
  pen.fillStyle = faded(pen.palette.forecast, FORECAST_OPACITY)
  pen.fillRect(x, top, left + axis.width - x, bottom - top)
}

/**
 * A strip in its place, with the figures of its scale.
 *
 * @param side where those stand; at the right, of a second scale, they have no lines
 */
export function drawStrip(
  pen: SvgPen,
  strip: Strip,
  range: Range,
  place: Place,
  side: 'left' | 'right',
): void {
  const { axis, left, top, bottom, letters, scale, says } = place
  const room = Math.floor((bottom - top) / (LINES_A_FIGURE * letters.line))
  const marks = marksWithin(range, Math.min(MOST_FIGURES, Math.max(2, room)))
  const y = (value: number) =>
    bottom - ((value - range.low) / (range.high - range.low)) * (bottom - top)
  const x = (t: number) => left + xOf(axis, t)
  for (const value of strip.isBare ? [] : marks.at) {
    if (side === 'left') drawRule(pen, left, left + axis.width, y(value))
    writeLine(pen, {
      ...{
        text: figureAt(strip, marks, value, { scale, says }),
        y: y(value) + letters.small * 0.35,
      },
      ...(side === 'left'
        ? { x: left - 8, align: 'right' }
        : { x: left + axis.width + 8, align: 'left' }),
      ...{ colour: pen.palette.muted, size: letters.small },
    })
  }
  // What lies outside is cut off by a picture within the picture: names of clipping paths would meet those of others on a page.
  const box = [left, top - 1, axis.width, bottom - top + 2] as const
  const [across, above, width, height] = box
  pen.put(
    `<svg x="${across}" y="${above}" width="${width}" height="${height}" viewBox="${box.join(' ')}" data-strip="${escaped(strip.id)}">`,
  )
  drawLayers({ context: pen, strip, axis, palette: pen.palette, top, bottom, x, y })
  pen.put('</svg>')
}

function drawRule(pen: SvgPen, from: number, to: number, y: number): void {
  pen.beginPath()
  pen.moveTo(from, y)
  pen.lineTo(to, y)
  pen.strokeStyle = pen.palette.rule
  // Rules stay as fine as they are, however heavy the lines.
  pen.lineWidth = 1 / pen.weight
  pen.setLineDash([])
  pen.stroke()
}
