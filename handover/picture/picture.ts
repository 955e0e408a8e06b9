import type { Drawn } from '../../core/picture/drawn/drawn'
import type { TimeAxis } from '../../core/picture/draw/timeAxis'
import type { Strip } from '../../core/picture/strips'
import type { DisplayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { drawGround, drawStrip, MOST_FIGURES, type Place } from './drawStrip'
import { widthOfLegend, writeCaption, writeLegend } from './legend'
import { EDGE, lettersOf, USUAL_LETTERS, type Letters, type PictureLook } from './look'
import { BLACK, PAPER } from './palettes'
import { divisorOf, figureAt, marksWithin, scalesOf } from './scales'
import { escaped, SvgPen, TYPES, widthOfText } from './svgPen'
import { writeHead, writeLine } from './write'

/** What a picture is made of. */
export interface PictureOf extends Drawn {
  /** What values of the series are shown in. */
  readonly scale: DisplayScale
  readonly says: ReadersFigures
  readonly title: string
  /** At the foot: where it comes from. */
  readonly source: string
  /** Whether the second strip stands in the frame of the first, below it, with a scale of its own at the right. */
  readonly isOneFrame?: boolean
}

/** Room below the strips, and of a strip beside its caption at the least. */
const AXIS_LINES = 2.1
const LEAST_STRIP = { plain: 40, bare: 14 } as const
/** Shares of a frame that two strips in it take up. */
const [UPPER, LOWER] = [0.58, 0.37]
/** Below a strip. */
const BELOW = { plain: 12, bare: 2 } as const

/** The least height that strips can be read at. */
export function leastHeight(
  strips: readonly Strip[],
  look: Pick<PictureLook, 'letters'> = {},
): number {
  const { title, line } = lettersOf(look)
  const own = strips.map(({ isBare }) =>
    isBare ? line + LEAST_STRIP.bare : 2 * line + LEAST_STRIP.plain,
  )
  return Math.ceil(
    2 * EDGE + title + (3 + AXIS_LINES) * line + own.reduce((sum, height) => sum + height, 0),
  )
}

/**
 * Strips one above the other over one axis, as an SVG whose text is text: drawn by the very code that draws them on the Bench.
 */
export function pictureAsSvg(of: PictureOf, look: PictureLook): string {
  const { width, height, isBlack = false, legend = 'above', weight = 1 } = look
  const letters = lettersOf(look)
  const pen = new SvgPen(TYPES, isBlack ? BLACK : PAPER, weight)
  const ranges = scalesOf(of.strips, look, of.scale)
  // Each row is a strip, or two in one frame.
  const rows = of.isOneFrame ? [inOneFrame(of.strips)] : of.strips.map((strip) => [strip])
  const left =
    EDGE +
    figuresWidth(
      of,
      rows.map(([strip]) => strip!),
      ranges,
      letters,
    )
  const second = rows.flatMap((row) => row.slice(1))
  const right =
    EDGE +
    (second.length > 0 ? figuresWidth(of, second, [ranges[1]!], letters) : 0) +
    (legend === 'right' ? Math.max(...rows.map((row) => widthOfLegend(row, letters))) + 10 : 0)
  const { from, to, aheadFrom } = of.across
  const axis: TimeAxis = { from, to, width: Math.max(40, width - left - right) }
  pen.put(`<rect width="${width}" height="${height}" fill="${pen.palette.paper}"/>`)
  let top = writeHead(pen, of, letters)
  const foot = height - EDGE - (of.source === '' ? 0 : letters.line)
  const room = foot - AXIS_LINES * letters.line - top
  const shares = rows.reduce((sum, [strip]) => sum + strip!.share, 0)
  rows.forEach((row, i) => {
    const [strip, below] = row as [Strip, Strip?]
    const own = (room * strip.share) / shares
    const caption = writeCaption(pen, { strips: row, legend, letters, top, right: width - EDGE })
    const place: Place = {
      ...{ axis, left, letters, aheadFrom, scale: of.scale, says: of.says },
      ...{ top: top + caption, bottom: top + own - (strip.isBare ? BELOW.bare : BELOW.plain) },
    }
    drawGround(pen, place)
    const frame = place.bottom - place.top
    const upper = below ? { ...place, bottom: place.top + UPPER * frame } : place
    drawStrip(pen, strip, ranges[i]!, upper, 'left')
    if (below) {
      drawStrip(pen, below, ranges[1]!, { ...place, top: place.bottom - LOWER * frame }, 'right')
    }
    if (legend === 'right') {
      writeLegend(pen, row, letters, width - right + (below ? 46 : 12), top + caption)
    }
    top += own
  })
  writeAxis(pen, of, axis, left, top, letters)
  if (of.source !== '') {
    const { muted: colour } = pen.palette
    writeLine(pen, { text: of.source, x: EDGE, y: height - EDGE, colour, size: letters.small })
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img"><title>${escaped(nameOf(of))}</title>\n${pen.marks}\n</svg>\n`
}

/** The scale of the first strip as its figures are written; null without one. */
export function scaleShown(
  { strips, scale }: Pick<PictureOf, 'strips' | 'scale'>,
  look: PictureLook,
): { low: number; high: number } | null {
  const [first] = strips
  const [range] = scalesOf(strips, look, scale)
  if (!first || !range) return null
  const divisor = divisorOf(first, scale)
  return { low: range.low / divisor, high: range.high / divisor }
}

/** What it is called by who does not see it: where it has no title, what it shows. */
function nameOf({ title, subtitle, strips }: PictureOf): string {
  return title || subtitle || strips.map((strip) => strip.title).join(', ')
}

/** The first two strips, the names of the second one's lines told apart from those of the first. */
function inOneFrame([first, second]: readonly Strip[]): Strip[] {
  const told = second!.layers.map((layer) =>
    layer.label === ''
      ? layer
      : { ...layer, label: `${second!.title.toLowerCase()} of ${layer.label}` },
  )
  return [first!, { ...second!, layers: told }]
}

/** Room for the longest figure of some strips. */
function figuresWidth(
  of: PictureOf,
  strips: readonly Strip[],
  ranges: readonly { readonly low: number; readonly high: number }[],
  { small }: Letters,
): number {
  const widths = strips.flatMap((strip, i) => {
    if (strip.isBare) return []
    const marks = marksWithin(ranges[i]!, MOST_FIGURES)
    return marks.at.map((value) => widthOfText(figureAt(strip, marks, value, of), small))
  })
  return widths.length === 0 ? 4 : Math.ceil(Math.max(20, ...widths)) + 8
}

/** What lies along the bottom, as on the Bench. */
function writeAxis(
  pen: SvgPen,
  { across }: PictureOf,
  axis: TimeAxis,
  left: number,
  top: number,
  { small, line }: Letters,
): void {
  // Larger letters have room for fewer names: those of a narrower axis, drawn as far apart as they are here.
  const larger = small / USUAL_LETTERS
  for (const tick of across.ticks({ ...axis, width: axis.width / larger })) {
    const { season, year, isForecast } = tick
    const x = tick.x * larger

    const colour = isForecast ? pen.palette.forecast : pen.palette.ink
    const at = { x: left + x, colour, size: small, align: 'center' } as const
    if (season !== '') writeLine(pen, { ...at, text: season, y: top + line })
    const below = season === '' ? 1 : 1.9
    if (year !== '') writeLine(pen, { ...at, text: year, y: top + below * line, isBold: true })
  }
}
