import { faded } from '../../core/picture/draw/palette'
import { STROKES } from '../../core/picture/draw/strokes'
import type { Layer, Strip } from '../../core/picture/strips'
import { EDGE, MARK_WIDTH, type Legend, type Letters } from './look'
import { widthOfText, type SvgPen } from './svgPen'
import { writeLine } from './write'

const BAND_OPACITY = 0.34
/** Between a mark and its name, and behind the name. */
const APART = { mark: 5, name: 14 } as const

/** What a strip is called, and what of it is named where. */
export interface CaptionOf {
  readonly strips: readonly Strip[]
  readonly legend: Legend
  readonly letters: Letters
  readonly top: number
  /** Where the room for it ends. */
  readonly right: number
}

/** Title, unit, and where they stand above it the names of the layers, each with its mark. @returns its height */
export function writeCaption(
  pen: SvgPen,
  { strips, legend, letters, top, right }: CaptionOf,
): number {
  const { small, line } = letters
  const { ink, muted } = pen.palette
  const at = top + small
  let x = EDGE
  for (const { title, unit } of strips) {
    writeLine(pen, { text: title, x, y: at, colour: ink, isBold: true, size: small })
    x += widthOfText(title, small * 1.08) + 6
    writeLine(pen, { text: unit, x, y: at, colour: muted, size: small })
    x += widthOfText(unit, small) + 16
  }
  const said = strips.find((strip) => strip.legend !== undefined)?.legend
  if (said !== undefined) writeLine(pen, { text: said, x, y: at, colour: muted, size: small })
  let y = at
  for (const layer of legend === 'above' ? namedIn(strips) : []) {
    const own = widthOfEntry(layer, letters)
    if (x + own > right) [x, y] = [EDGE, y + line]
    writeEntry(pen, layer, x, y, letters)
    x += own
  }
  return y - top + 10
}

/** The names of the layers one below the other. */
export function writeLegend(
  pen: SvgPen,
  strips: readonly Strip[],
  letters: Letters,
  x: number,
  top: number,
): void {
  namedIn(strips).forEach((layer, i) => {
    writeEntry(pen, layer, x, top + letters.small + i * letters.line, letters)
  })
}

/** Room that the names of layers take at the right of strips; 0 where there are none. */
export function widthOfLegend(strips: readonly Strip[], letters: Letters): number {
  return Math.max(0, ...namedIn(strips).map((layer) => widthOfEntry(layer, letters)))
}

/** Where there are too many to name, words stand in their place. */
function namedIn(strips: readonly Strip[]): Layer[] {
  return strips.flatMap(({ layers, legend }) =>
    legend === undefined ? layers.filter(({ label }) => label !== '') : [],
  )
}

function widthOfEntry({ label }: Layer, { small }: Letters): number {
  return MARK_WIDTH + APART.mark + widthOfText(label, small) + APART.name
}

function writeEntry(pen: SvgPen, layer: Layer, x: number, y: number, { small }: Letters): void {
  drawSample(pen, layer, x, y - small * 0.35)
  const text = { text: layer.label, x: x + MARK_WIDTH + APART.mark, y, size: small }
  writeLine(pen, { ...text, colour: pen.palette.muted })
}

/** The mark of a layer beside its name. */
function drawSample(pen: SvgPen, layer: Layer, x: number, y: number): void {
  if (layer.kind === 'gaps') return
  if (layer.kind === 'band') {
    pen.fillStyle = faded(pen.palette.forecast, BAND_OPACITY)
    return pen.fillRect(x, y - 4, MARK_WIDTH, 8)
  }
  const colour = pen.palette[layer.component]
  const stroke = STROKES[layer.mark]
  pen.fillStyle = pen.strokeStyle = faded(colour, layer.opacity ?? 1)
  pen.beginPath()
  if (stroke) {
    pen.lineWidth = stroke.width
    pen.lineCap = stroke.cap ?? 'butt'
    pen.setLineDash(stroke.dash ?? [])
    pen.moveTo(x, y)
    pen.lineTo(x + MARK_WIDTH, y)
    pen.stroke()
  } else if (layer.mark === 'bars') pen.fillRect(x + 4, y - 4, 10, 8)
  else {
    pen.arc(x + MARK_WIDTH / 2, y, 2.6)
    pen.fill()
  }
}
