/** How figures are written for whoever reads them: in the marks of their language, or as the core writes them. */
export interface ReadersFigures {
  /** With so many decimals, and none that is 0 by rounding alone below 0. */
  decimals(value: number, decimals: number): string
  /** About three digits, for a line of words. */
  rough(value: number): string
  /** A change in per cent with its sign: `+3.1%`. */
  change(percent: number): string
  /** A sentence of the core with its figures so written. */
  inText(text: string): string
}
