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

/** Figures as the core writes them: `1,234.5`. */
export const CORE_FIGURES: ReadersFigures = {
  decimals: (value, decimals) => {
    // What rounds to 0 is 0, and not −0.0.
    const shown = Math.abs(value) < 0.5 * 10 ** -decimals ? 0 : value
    return formatted(shown, { minimumFractionDigits: decimals, maximumFractionDigits: decimals })
  },
  rough: (value) => formatted(value, { maximumSignificantDigits: 3 }),
  change: (percent) => {
    const size = formatted(Math.abs(percent), {
      minimumFractionDigits: 1,
      maximumFractionDigits: 1,
    })
    return `${size === '0.0' ? '' : percent < 0 ? '−' : '+'}${size}%`
  },
  inText: (text) => text,
}

function formatted(value: number, how: Intl.NumberFormatOptions): string {
  return value.toLocaleString('en-US', how).replace('-', '−')
}
