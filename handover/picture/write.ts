import { EDGE, type Letters } from './look'
import type { SvgPen } from './svgPen'

/** A line of text at a place. */
export interface Line {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly colour: string
  readonly isBold?: boolean
  readonly size: number
  readonly align?: 'left' | 'right' | 'center'
}

export function writeLine(pen: SvgPen, { text, x, y, colour, isBold, size, align }: Line): void {
  pen.font = `${isBold ? 'bold ' : ''}${size}px`
  pen.textAlign = align ?? 'left'
  pen.textBaseline = 'alphabetic'
  pen.fillStyle = colour
  pen.fillText(text, x, y)
}

/** Title and what is shown; where the page around has the words, neither. @returns where what follows begins */
export function writeHead(
  pen: SvgPen,
  { title, subtitle }: { readonly title: string; readonly subtitle: string },
  { title: large, small, line }: Letters,
): number {
  const { ink, muted } = pen.palette
  let top = EDGE
  if (title !== '') {
    writeLine(pen, { text: title, x: EDGE, y: top + large, colour: ink, isBold: true, size: large })
    top += large + line
  }
  if (subtitle !== '') {
    const y = title === '' ? top + small : top
    writeLine(pen, { text: subtitle, x: EDGE, y, colour: muted, size: small })
    top = y + 0.6 * line
  }
  return title !== '' && subtitle === '' ? top - 0.4 * line : top
}
