import type { Pen } from '../../core/picture/draw/canvas'
import type { Palette } from '../../core/picture/draw/palette'

/** What pictures are lettered in. */
export const TYPES = "Inter, 'Segoe UI', Helvetica, Arial, sans-serif"

/** Width of a letter on average, of the height of its type. */
const LETTER = 0.55

/** Text as it stands in an SVG: nothing of it is read as a mark. */
export function escaped(text: string): string {
  return text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')
}

/** Pixels that a line of text takes up, from its letters. */
export function widthOfText(text: string, size: number): number {
  return text.length * size * LETTER
}

/**
 * A pen that writes down as SVG what it is told to draw: whatever draws on a canvas draws with it too, mark for mark.
 *
 * @param types of letters, the first that there is is taken
 * @param palette that what it draws is inked in
 */
export class SvgPen implements Pen {
  fillStyle: Pen['fillStyle'] = '#000000'
  strokeStyle: Pen['strokeStyle'] = '#000000'
  lineWidth = 1
  lineJoin: CanvasLineJoin = 'miter'
  lineCap: CanvasLineCap = 'butt'
  font = '11px sans-serif'
  textAlign: CanvasTextAlign = 'left'
  textBaseline: CanvasTextBaseline = 'alphabetic'
  readonly #marks: string[] = []
  #path = ''
  #dash: number[] = []

  constructor(
    private readonly types: string,
    readonly palette: Palette,
    /** How much heavier its lines are than it is told. */
    readonly weight = 1,
  ) {}

  /** Everything that was drawn, in its order. */
  get marks(): string {
    return this.#marks.join('\n')
  }

  /** Puts something down as it is written. */
  put(mark: string): void {
    this.#marks.push(mark)
  }

  setLineDash(dash: Iterable<number>): void {
    this.#dash = [...dash]
  }

  beginPath(): void {
    this.#path = ''
  }

  moveTo(x: number, y: number): void {
    this.#path += `M${at(x)} ${at(y)}`
  }

  lineTo(x: number, y: number): void {
    // A path that begins with a line begins at its end, as on a canvas.
    this.#path += `${this.#path === '' ? 'M' : 'L'}${at(x)} ${at(y)}`
  }

  closePath(): void {
    this.#path += 'Z'
  }

  /** A whole circle: nothing else is drawn with arcs. */
  arc(x: number, y: number, radius: number): void {
    const across = 2 * radius
    this.#path += `M${at(x - radius)} ${at(y)}a${at(radius)} ${at(radius)} 0 1 0 ${at(across)} 0a${at(radius)} ${at(radius)} 0 1 0 ${at(-across)} 0`
  }

  rect(x: number, y: number, width: number, height: number): void {
    this.#path += `M${at(x)} ${at(y)}h${at(width)}v${at(height)}h${at(-width)}Z`
  }

  fillRect(x: number, y: number, width: number, height: number): void {
    this.put(
      `<rect x="${at(x)}" y="${at(y)}" width="${at(width)}" height="${at(height)}"${filled(this.fillStyle)}/>`,
    )
  }

  fill(): void {
    if (this.#path !== '') this.put(`<path d="${this.#path}"${filled(this.fillStyle)}/>`)
  }

  stroke(): void {
    if (this.#path === '') return
    const dash = this.#dash.length > 0 ? ` stroke-dasharray="${this.#dash.map(at).join(' ')}"` : ''
    const ends = `stroke-linejoin="${this.lineJoin}" stroke-linecap="${this.lineCap}"`
    this.put(
      `<path d="${this.#path}" fill="none"${stroked(this.strokeStyle)} stroke-width="${at(this.lineWidth * this.weight)}" ${ends}${dash}/>`,
    )
  }

  fillText(text: string, x: number, y: number): void {
    this.put(this.#text(text, x, y, filled(this.fillStyle)))
  }

  strokeText(text: string, x: number, y: number): void {
    const how = ` fill="none"${stroked(this.strokeStyle)} stroke-width="${at(this.lineWidth)}" stroke-linejoin="${this.lineJoin}"`
    this.put(this.#text(text, x, y, how))
  }

  measureText(text: string): TextMetrics {
    return { width: widthOfText(text, this.#size()) } as TextMetrics
  }

  #size(): number {
    return Number(/([\d.]+)px/.exec(this.font)?.[1] ?? 11)
  }

  #text(text: string, x: number, y: number, how: string): string {
    const anchor = { center: 'middle', right: 'end', end: 'end', left: 'start', start: 'start' }
    const size = this.#size()
    // Not every reader knows the middle of a line: the baseline is where it lies for all.
    const down = this.textBaseline === 'middle' ? 0.35 * size : 0
    const weight = this.font.startsWith('bold') ? ' font-weight="600"' : ''
    return `<text x="${at(x)}" y="${at(y + down)}" font-family="${escaped(this.types)}" font-size="${at(size)}"${weight} text-anchor="${anchor[this.textAlign]}"${how}>${escaped(text)}</text>`
  }
}

/** A coordinate to a hundredth of a pixel. */
function at(value: number): string {
  return String(Math.round(value * 100) / 100 + 0)
}

function filled(style: Pen['fillStyle']): string {
  return coloured('fill', style)
}

function stroked(style: Pen['strokeStyle']): string {
  return coloured('stroke', style)
}

/** Not every reader takes the opacity within a colour. */
function coloured(what: 'fill' | 'stroke', style: Pen['fillStyle']): string {
  const [, colour, alpha] = /^(#[0-9a-f]{6})([0-9a-f]{2})?$/i.exec(String(style)) ?? []
  if (colour === undefined) return ` ${what}="${escaped(String(style))}"`
  if (alpha === undefined) return ` ${what}="${colour}"`
  return ` ${what}="${colour}" ${what}-opacity="${Math.round((parseInt(alpha, 16) / 255) * 1000) / 1000}"`
}
