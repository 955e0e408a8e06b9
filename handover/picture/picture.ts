import { axisTicks } from '../../core/picture/draw/axisTicks'
import { drawLayers } from '../../core/picture/draw/layers'
import { faded } from '../../core/picture/draw/palette'
import { STROKES } from '../../core/picture/draw/strokes'
import { xOf, type TimeAxis } from '../../core/picture/draw/timeAxis'
import { decimalsApart, valueMarks, type ValueMarks } from '../../core/picture/draw/valueMarks'
import { rangeOfStrip, type Layer, type Strip } from '../../core/picture/strips'
import type { Series } from '../../core/series/series'
import type { DisplayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { BLACK, PAPER } from './palettes'
import { escaped, SvgPen, widthOfText } from './svgPen'

const TYPES = "Inter, 'Segoe UI', Helvetica, Arial, sans-serif"

/** What a picture is made of. */
export interface PictureOf {
  readonly strips: readonly Strip[]
  /** Where its periods lie in time. */
  readonly series: Pick<Series, 'calendar' | 'start'>
  /** Time codes of the first period, the last actual one and the last. */
  readonly firstT: number
  readonly lastT: number
  readonly endT: number
  readonly scale: DisplayScale
  readonly says: ReadersFigures
  readonly title: string
  /** Below the title: what it shows. */
  readonly subtitle: string
  /** At the foot: where it comes from. */
  readonly source: string
}

/** How large it is, in pixels of which 96 are an inch, and in which inks. */
export interface PictureSize {
  readonly width: number
  readonly height: number
  /** In black alone: what colours told apart, lines and marks do. */
  readonly isBlack?: boolean
}

/** Letters of the title, of everything else, and the room of a line of those. */
const TYPE = { title: 15, small: 11, line: 16 } as const
const EDGE = 14
const AXIS_HEIGHT = 34
const MARK_WIDTH = 18
/** Room that a figure of the vertical scale has to itself. */
const PX_A_FIGURE = 16
const MOST_FIGURES = 6
/** Share of its range that a scale is wider than its figures, at either end. */
const ROOM = 0.04
const BAND_OPACITY = 0.17
const FORECAST_OPACITY = 0.06

/** The least height that strips can be read at. */
export function leastHeight(strips: readonly Strip[]): number {
  return 2 * EDGE + TYPE.title + 3 * TYPE.line + AXIS_HEIGHT + strips.length * (2 * TYPE.line + 40)
}

/**
 * Strips one above the other over one time axis, as an SVG whose text is text: drawn by the very code that draws them on the Bench.
 */
export function pictureAsSvg(
  of: PictureOf,
  { width, height, isBlack = false }: PictureSize,
): string {
  const pen = new SvgPen(TYPES, isBlack ? BLACK : PAPER)
  const gutter = gutterOf(of)
  const axis: TimeAxis = { from: of.firstT - 0.5, to: of.endT + 0.5, width: width - gutter - EDGE }
  pen.put(`<rect width="${width}" height="${height}" fill="${pen.palette.paper}"/>`)
  let top = EDGE
  top = writeHead(pen, of, top)
  const foot = height - EDGE - (of.source === '' ? 0 : TYPE.line)
  const room = foot - AXIS_HEIGHT - top
  const shares = of.strips.reduce((sum, { share }) => sum + share, 0)
  for (const strip of of.strips) {
    const own = (room * strip.share) / shares
    drawStrip(pen, of, strip, { axis, gutter, top, height: own, width })
    top += own
  }
  writeAxis(pen, of, { axis, gutter, top })
  if (of.source !== '') writeLine(pen, of.source, EDGE, height - EDGE, pen.palette.muted)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img"><title>${escaped(of.title)}</title>\n${pen.marks}\n</svg>\n`
}

function writeHead(pen: SvgPen, { title, subtitle }: PictureOf, top: number): number {
  // Where the page around it has the words, the picture has none.
  if (title === '' && subtitle === '') return top
  pen.font = `bold ${TYPE.title}px`
  pen.textAlign = 'left'
  pen.textBaseline = 'alphabetic'
  pen.fillStyle = pen.palette.ink
  pen.fillText(title, EDGE, top + TYPE.title)
  if (subtitle === '') return top + TYPE.title + TYPE.line
  writeLine(pen, subtitle, EDGE, top + TYPE.title + TYPE.line, pen.palette.muted)
  return top + TYPE.title + 1.6 * TYPE.line
}

function writeLine(
  pen: SvgPen,
  text: string,
  x: number,
  y: number,
  colour: string,
  bold = false,
): void {
  pen.font = `${bold ? 'bold ' : ''}${TYPE.small}px`
  pen.textAlign = 'left'
  pen.textBaseline = 'alphabetic'
  pen.fillStyle = colour
  pen.fillText(text, x, y)
}

/** Room for the longest figure of any vertical scale. */
function gutterOf(of: PictureOf): number {
  const longest = of.strips.flatMap((strip) => {
    const marks = marksOf(strip, MOST_FIGURES)
    return marks.at.map((value) => widthOfText(figureAt(of, strip, marks, value), TYPE.small))
  })
  return EDGE + Math.ceil(Math.max(20, ...longest)) + 8
}

/** The scale of a strip, a little wider than its figures, and the marks within it: two at the least, or none would tell its size. */
function marksOf(strip: Strip, most: number): ValueMarks {
  const range = strip.fixed ?? widened(rangeOfStrip(strip) ?? { low: 0, high: 1 })
  const tried = [0, 1, 2, 4].map((more) => valueMarks(range, most + more, true))
  return tried.find(({ at }) => at.length >= 2) ?? tried.at(-1)!
}

function widened({ low, high }: { readonly low: number; readonly high: number }) {
  const room = ROOM * (high > low ? high - low : Math.abs(high) || 1)
  return { low: low - room, high: high + room }
}

/** A figure of the vertical scale, with as many decimals as tell it from its neighbours. */
function figureAt(
  { scale, says }: PictureOf,
  { measure }: Strip,
  { at }: ValueMarks,
  value: number,
): string {
  const isLevel = measure === 'level' || measure === 'difference'
  const divisor = isLevel ? scale.divisor : 1
  const apart = at.length > 1 ? (at[1]! - at[0]!) / divisor : 1
  return (
    says.decimals(value / divisor, Math.min(8, decimalsApart(apart))) +
    (measure === 'percent' ? '%' : '')
  )
}

interface Place {
  readonly axis: TimeAxis
  readonly gutter: number
  readonly top: number
}

function drawStrip(
  pen: SvgPen,
  of: PictureOf,
  strip: Strip,
  place: Place & { readonly height: number; readonly width: number },
): void {
  const { axis, gutter, width } = place
  const caption = writeCaption(pen, strip, place)
  const [top, bottom] = [place.top + caption, place.top + place.height - 12]
  const most = Math.min(MOST_FIGURES, Math.max(2, Math.floor((bottom - top) / PX_A_FIGURE)))
  const marks = marksOf(strip, most)
  const y = (value: number) =>
    bottom - ((value - marks.low) / (marks.high - marks.low)) * (bottom - top)
  const x = (t: number) => gutter + xOf(axis, t)
  if (of.endT > of.lastT) {
    pen.fillStyle = faded(pen.palette.forecast, FORECAST_OPACITY)
    pen.fillRect(x(of.lastT + 0.5), top, width - EDGE - x(of.lastT + 0.5), bottom - top)
  }
  for (const value of marks.at) {
    pen.beginPath()
    pen.moveTo(gutter, y(value))
    pen.lineTo(width - EDGE, y(value))
    pen.strokeStyle = pen.palette.rule
    pen.lineWidth = 1
    pen.setLineDash([])
    pen.stroke()
    pen.font = `${TYPE.small}px`
    pen.textAlign = 'right'
    pen.textBaseline = 'middle'
    pen.fillStyle = pen.palette.muted
    pen.fillText(figureAt(of, strip, marks, value), gutter - 8, y(value))
  }
  // What lies outside is cut off by a picture within the picture: names of clipping paths would meet those of others on a page.
  const box = [gutter, top - 1, axis.width, bottom - top + 2] as const
  const [left, above, across, down] = box
  pen.put(
    `<svg x="${left}" y="${above}" width="${across}" height="${down}" viewBox="${box.join(' ')}" data-strip="${escaped(strip.id)}">`,
  )
  drawLayers({ context: pen, strip, axis, palette: pen.palette, top, bottom, x, y })
  pen.put('</svg>')
}

/** Title, unit and the names of the layers, each with its mark. @returns its height */
function writeCaption(
  pen: SvgPen,
  strip: Strip,
  { top, width }: Place & { readonly width: number },
): number {
  const line = top + TYPE.small
  writeLine(pen, strip.title, EDGE, line, pen.palette.ink, true)
  let x = EDGE + widthOfText(strip.title, TYPE.small * 1.08) + 6
  writeLine(pen, strip.unit, x, line, pen.palette.muted)
  x += widthOfText(strip.unit, TYPE.small) + 16
  let y = line
  const named = strip.layers.filter(({ label }) => label !== '')
  const entries = strip.legend === undefined ? named : []
  if (strip.legend !== undefined) writeLine(pen, strip.legend, x, line, pen.palette.muted)
  for (const layer of entries) {
    const own = MARK_WIDTH + 5 + widthOfText(layer.label, TYPE.small) + 14
    if (x + own > width - EDGE) [x, y] = [EDGE, y + TYPE.line]
    drawSample(pen, layer, x, y - TYPE.small * 0.35)
    writeLine(pen, layer.label, x + MARK_WIDTH + 5, y, pen.palette.muted)
    x += own
  }
  return y - top + 10
}

/** The mark of a layer beside its name. */
function drawSample(pen: SvgPen, layer: Layer, x: number, y: number): void {
  if (layer.kind === 'gaps') return
  if (layer.kind === 'band') {
    pen.fillStyle = faded(pen.palette.forecast, 2 * BAND_OPACITY)
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

/** Seasons and years below the strips, as on the Bench. */
function writeAxis(pen: SvgPen, { series, lastT }: PictureOf, { axis, gutter, top }: Place): void {
  for (const tick of axisTicks(axis, series, lastT)) {
    const x = gutter + tick.x
    const colour = tick.isForecast ? pen.palette.forecast : pen.palette.ink
    pen.textAlign = 'center'
    pen.textBaseline = 'alphabetic'
    pen.fillStyle = colour
    pen.font = `${TYPE.small}px`
    if (tick.season !== '') pen.fillText(tick.season, x, top + TYPE.line)
    pen.font = `bold ${TYPE.small}px`
    const below = tick.season === '' ? 1 : 1.9
    if (tick.year !== '') pen.fillText(tick.year, x, top + below * TYPE.line)
  }
}
