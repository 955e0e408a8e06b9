/** Pixels of a letter at the size of ledger and captions, by its kind; figures stand as wide as one another. */
const KINDS: readonly (readonly [kind: RegExp, pixels: number])[] = [
  [/\d/, 6.9],
  [/[.,\s’:;'|]/, 3.4],
  [/[ijlftr()-]/, 4.1],
  [/[mwMW@%]/, 9.4],
  [/[a-z]/, 6.2],
]
/** Of capitals and signs, and of what is not known. */
const OTHER_PX = 7.2

/**
 * Pixels that a text takes up at 11 px, rather too many than too few: measured, the page would be laid out twice.
 *
 * @example textWidth('−1,234.5') // 7.2 + 4 × 6.9 + 3.4 + 3.4 + 6.9 = 48.5
 */
export function textWidth(text: string): number {
  let width = 0
  for (const letter of text) {
    width += KINDS.find(([kind]) => kind.test(letter))?.[1] ?? OTHER_PX
  }
  return width
}
