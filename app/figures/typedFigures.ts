/**
 * Reads figures that were typed or pasted, parted by spaces, lines, tabs or semicolons.
 *
 * @returns in the order written; what is no number is NaN, which the core refuses by name
 * @example figuresIn('0.25; 0,5 1/4') // [0.25, 0.5, 0.25]
 */
export function figuresIn(text: string): number[] {
  return text
    .split(/[;\s]+/)
    .filter((word) => word !== '')
    .map(figureIn)
}

/** One figure; of nothing NaN, where a plain conversion would make a 0 of it. */
export function figureIn(word: string): number {
  const [over, under] = word.replace(',', '.').replace('−', '-').split('/')
  return numberIn(over!) / (under === undefined ? 1 : numberIn(under))
}

function numberIn(text: string): number {
  return text.trim() === '' ? NaN : Number(text)
}
