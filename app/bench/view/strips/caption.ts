import { textWidth } from '../textWidth'
import type { Strip } from '~~/core/picture/strips'

/** Room for a strip: the gutter beside its chart, and the chart itself, in pixels. */
export interface StripRoom {
  readonly gutter: number
  readonly plotWidth: number
}

/** A gutter below this has no room for words; they stand over the chart then. */
const WORDS_FROM_PX = 140
/** Of the gutter, what the figures of the vertical scale take. */
const SCALE_PX = 60
/** Mark of a layer beside its name. */
const MARK_PX = 23
/** Between the names of two layers that stand in one line. */
const BETWEEN_PX = 10
/** Line of the caption, and its padding above and below. */
const LINE_PX = 14.5
const PADDING_PX = 12
const INSET_PX = 24
/** Between two words; and how much larger letters of the title are. */
const BLANK_PX = 3.4
const TITLE_SCALE = 1.15
/** Of a chart, without the caption that stands over it. */
const LEAST_CHART_PX = 74

/** Whether a strip is named over its chart, since the gutter is too narrow for words. */
export function isNamedOver({ gutter }: StripRoom): boolean {
  return gutter < WORDS_FROM_PX
}

/**
 * Pixels that a strip's caption takes: its title, unit, span and the names of its layers.
 *
 * It is reckoned from its letters, since a caption that is measured would lay the page out twice; where it takes
 * a line more, the strip grows by it.
 *
 * @example a title, a unit and three layers of one line each, beside the chart: 12 + 4 × 14.5 = 70
 */
export function captionHeight(strip: Strip, room: StripRoom): number {
  const over = isNamedOver(room)
  const width = over ? room.gutter + room.plotWidth - INSET_PX : room.gutter - SCALE_PX
  const [title, unit] = [TITLE_SCALE * textWidth(strip.title), textWidth(strip.unit)]
  const names = strip.legend ? [] : namesOf(strip)
  const lines = over
    ? linesOfWords(
        [title, unit, ...wordsOf(strip.spans ?? ''), ...wordsOf(strip.legend ?? '')],
        width,
      ) + rowsOf(names, width)
    : linesOfWords([title, ...wordsOf(strip.unit)], width) +
      linesOfWords(wordsOf(strip.spans ?? ''), width) +
      linesOfWords(wordsOf(strip.legend ?? ''), width) +
      names.reduce((sum, name) => sum + linesOfWords(wordsOf(name), width - MARK_PX), 0)
  return Math.ceil(PADDING_PX + lines * LINE_PX)
}

/** Names of a strip's layers; one that stands alone is named by the title. */
export function namesOf({ layers }: Strip): string[] {
  const names = layers.flatMap(({ label }) => (label === '' ? [] : [label]))
  return names.length > 1 ? names : []
}

/**
 * Pixels of each strip of a stack: by its share, but no less than its caption needs.
 *
 * @param height of all strips together; they take more where their captions need it
 */
export function heightsOf(strips: readonly Strip[], height: number, room: StripRoom): number[] {
  const least = strips.map((strip) => {
    const caption = captionHeight(strip, room)
    return isNamedOver(room) ? caption + LEAST_CHART_PX : Math.max(caption, LEAST_CHART_PX)
  })
  const isShort = strips.map(() => false)
  for (;;) {
    const held = least.reduce((sum, own, i) => sum + (isShort[i] ? own : 0), 0)
    const shares = strips.reduce((sum, { share }, i) => sum + (isShort[i] ? 0 : share), 0)
    const heights = strips.map(({ share }, i) =>
      isShort[i] ? least[i]! : Math.round(((height - held) * share) / shares),
    )
    // Where one is given more, the others have less, and may fall short themselves.
    const next = heights.map((own, i) => isShort[i]! || own < least[i]!)
    if (next.every((short, i) => short === isShort[i])) return heights
    next.forEach((short, i) => (isShort[i] = short))
  }
}

function wordsOf(text: string): number[] {
  return text === '' ? [] : text.split(' ').map(textWidth)
}

/** Lines that words of these widths fill, in the order they come. */
function linesOfWords(words: readonly number[], width: number): number {
  let [lines, used] = [0, Infinity]
  for (const word of words) {
    const after = used + BLANK_PX + word
    if (after <= width) used = after
    else {
      // A word that is longer than a line is broken.
      lines += Math.max(1, Math.ceil(word / width))
      used = word % width
    }
  }
  return lines
}

/** Lines that layers' names fill when they stand beside one another. */
function rowsOf(names: readonly string[], width: number): number {
  return linesOfWords(
    names.map((name) => MARK_PX + textWidth(name) + BETWEEN_PX),
    width,
  )
}
