/** How figures are written for whoever reads them: in the marks of their language, or as the core writes them. */
export interface ReadersFigures {
  /** With so many decimals, and none that is 0 by rounding alone below 0. */
  decimals(value: number, decimals: number): string
  /** With as many decimals as its size asks for: four or five significant digits. */
  figure(value: number): string
  /** About three digits, for a line of words. */
  rough(value: number): string
  /** A change in per cent with its sign: `+3.1%`. */
  change(percent: number): string
  /** A sentence of the core with its figures so written. */
  inText(text: string): string
}

/** Below this no figure of a business is anything but what rounding left of 0. */
const ROUNDING = 1e-11

/**
 * Figures in the marks of a language.
 *
 * @param locale such as `de-DE`; undefined for that of whoever runs this
 * @example readersFigures('de-DE').decimals(1234.5, 1) // '1.234,5'
 */
export function readersFigures(locale: string | undefined): ReadersFigures {
  const formatter = formattersIn(locale)
  const written = (value: number, least: number, most = least) =>
    formatter(least, most).format(value).replace('-', '−')
  // A residual of −0.04 shown to one decimal is 0.0, not −0.0.
  const decimals = (value: number, count: number) =>
    written(Math.abs(value) < 0.5 * 10 ** -count ? 0 : value, count)
  return {
    decimals,
    figure: (value) => {
      // What is left of a 0 by rounding is one: twelve decimals of nothing say nothing.
      if (Math.abs(value) < ROUNDING) return '0'
      const magnitude = Math.floor(Math.log10(Math.abs(value)))
      const count = magnitude >= 0 ? 4 - magnitude : 3 - magnitude
      return decimals(value, Number.isInteger(value) ? 0 : Math.min(Math.max(count, 0), 12))
    },
    rough: (value) =>
      value.toLocaleString(locale, { maximumSignificantDigits: 3 }).replace('-', '−'),
    change: (percent) => {
      if (percent === 0) return '0%'
      const isNothing = Math.abs(percent) < 0.05
      return `${isNothing ? '' : percent < 0 ? '−' : '+'}${decimals(Math.abs(percent), 1)}%`
    },
    inText: (text) => {
      const [group, , , , mark] = formatter(1, 1).format(1234.5).slice(1)
      // Codes and dates have no such mark between their figures and stay as they are.
      if (group === ',' && mark === '.') return text
      return text.replace(/\d+(?:,\d{3})+(?:\.\d+)?|\d+\.\d+/g, (figure) => {
        const [, after = ''] = figure.split('.')
        return written(Number(figure.replaceAll(',', '')), after.length)
      })
    },
  }
}

/** One formatter for each kind of figure: making one takes far longer than using it. */
export function formattersIn(
  locale: string | undefined,
): (least: number, most: number) => Intl.NumberFormat {
  const known = new Map<string, Intl.NumberFormat>()
  return (least, most) => {
    const key = `${least} ${most}`
    const made =
      known.get(key) ??
      new Intl.NumberFormat(locale, { minimumFractionDigits: least, maximumFractionDigits: most })
    known.set(key, made)
    return made
  }
}

/** Figures as the core writes them: `1,234.5`. */
export const CORE_FIGURES: ReadersFigures = readersFigures('en-US')
