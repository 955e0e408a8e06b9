import { faded } from '../../core/picture/draw/palette'
import { foldedOf, type FoldGrid } from '../../core/ledger/foldGrid'
import { rowDecimals } from '../../core/column/rowDecimals'
import type { Column } from '../../core/column/column'
import type { Result } from '../../core/result'
import { displayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { EDGE, lettersOf, type PictureLook } from './look'
import { BLACK, PAPER } from './palettes'
import type { PictureSaid } from './pictureOfResult'
import { escaped, SvgPen, TYPES } from './svgPen'
import { writeHead, writeLine } from './write'

/** Room beside the names of the years at the left, in letters. */
const BESIDE_YEARS = 0.5
/** How strongly the furthest cell is laid on. */
const STRENGTH = 0.42

/** The season grid as a picture: years downwards, seasons across, each figure on a shade by how far it lies from its baseline. */
export function gridAsSvg(
  result: Result,
  row: Column,
  says: ReadersFigures,
  { title, source }: PictureSaid,
  look: PictureLook,
): string {
  const { width, height, isBlack = false } = look
  const letters = lettersOf(look)
  const pen = new SvgPen(TYPES, isBlack ? BLACK : PAPER)
  const grid = foldedOf(result, row.name)
  pen.put(`<rect width="${width}" height="${height}" fill="${pen.palette.paper}"/>`)
  const { scale, write } = writing(result, row, says)
  const subtitle = [row.label, row.unit === result.series.unit ? scale.unit : row.unit]
  const head = { title, subtitle: subtitle.filter((text) => text !== '').join(', ') }
  const top = writeHead(pen, head, letters) + 0.6 * letters.line
  const left = EDGE + yearLetters(grid) * letters.small * 0.7
  const bottom = height - EDGE - (source === '' ? 0 : letters.line)
  const [cellWidth, cellHeight] = [
    (width - left - EDGE) / grid.seasons.length,
    (bottom - top - letters.line) / grid.years.length,
  ]
  const { ink, muted } = pen.palette
  const size = letters.small
  grid.seasons.forEach(({ label }, i) => {
    const x = left + (i + 0.5) * cellWidth
    writeLine(pen, {
      text: label.slice(0, 3),
      x,
      y: top + size,
      colour: muted,
      size,
      align: 'center',
    })
  })
  const furthest = furthestIn(grid, row)
  grid.years.forEach(({ label, cells }, i) => {
    const above = top + letters.line + i * cellHeight
    const y = above + cellHeight / 2 + size * 0.35
    writeLine(pen, { text: label, x: EDGE, y, colour: ink, size, isBold: true })
    cells.forEach(({ value }, j) => {
      if (value === null) return
      const x = left + j * cellWidth
      const apart = value - (row.baseline ?? furthest.low)
      const hue = apart < 0 ? pen.palette.seasonLow : pen.palette[row.component]
      pen.fillStyle = faded(
        hue,
        furthest.most === 0 ? 0 : (STRENGTH * Math.abs(apart)) / furthest.most,
      )
      pen.fillRect(x, above, cellWidth - 1, cellHeight - 1)
      writeLine(pen, {
        text: write(value),
        x: x + cellWidth / 2,
        y,
        colour: ink,
        size,
        align: 'center',
      })
    })
  })
  if (source !== '')
    writeLine(pen, { text: source, x: EDGE, y: height - EDGE, colour: muted, size })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img"><title>${escaped(title)}</title>\n${pen.marks}\n</svg>\n`
}

/** The least size that every figure of a grid can be read at. */
export function leastGrid(
  result: Result,
  row: Column,
  look: Pick<PictureLook, 'letters'>,
): { width: number; height: number } {
  const { small, line, title } = lettersOf(look)
  const grid = foldedOf(result, row.name)
  return {
    width: 2 * EDGE + small * (yearLetters(grid) + 3 * grid.seasons.length),
    height: 2 * EDGE + title + (4 + 1.1 * grid.years.length) * line,
  }
}

function yearLetters({ years }: FoldGrid): number {
  return Math.max(...years.map(({ label }) => label.length)) + BESIDE_YEARS
}

function writing(result: Result, row: Column, says: ReadersFigures) {
  const scale = displayScale(result.columns.value, result.series.unit)
  const divisor = row.measure === 'level' || row.measure === 'difference' ? scale.divisor : 1
  const [decimals] = rowDecimals(row, scale)
  return { scale, write: (value: number) => says.decimals(value / divisor, decimals) }
}

/** The lowest figure, and how far one lies from the baseline, or of a level from the lowest, at the most. */
function furthestIn({ years }: FoldGrid, { baseline }: Column) {
  const all = years.flatMap(({ cells }) => cells.flatMap(({ value }) => value ?? []))
  const low = Math.min(...all)
  return { low, most: Math.max(...all.map((value) => Math.abs(value - (baseline ?? low))), 0) }
}
