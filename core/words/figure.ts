/**
 * A figure in a sentence: four significant digits, thousands separated, no trailing zeros.
 *
 * @example figure(48210.4) // '48,210'
 * @example figure(0.09187) // '0.09187'
 */
export function figure(value: number): string {
  const magnitude = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)))
  return formatterOf(Math.min(12, Math.max(0, 3 - magnitude)))
    .format(value)
    .replace('-', '−')
}

/** A figure with its unit, where the series has one. */
export function inUnit(value: number, unit: string): string {
  return unit ? `${figure(value)} ${unit}` : figure(value)
}

const PER_CENT = /^(%|per ?cent|percent|percentage|pct\.?|prozent)$/i

/** Whether figures in a unit are per cent already: differences of such are points, not shares. */
export function isPerCent(unit: string): boolean {
  return PER_CENT.test(unit.trim())
}

/** A share as a whole per cent, with one decimal below 10%: `32%`, `4.1%`. */
export function percent(share: number): string {
  const value = Math.abs(share * 100)
  return `${formatterOf(value < 9.95 ? 1 : 0).format(value)}%`
}

/** A probability in a sentence: `= 0.03`, and below one in ten thousand `< 0.0001`. */
export function probability(p: number): string {
  return p < 1e-4 ? '< 0.0001' : `= ${formatterOf(p < 0.1 ? 4 : 2).format(p)}`
}

/** One formatter for each number of decimals: making one takes far longer than using it. */
const FORMATTERS: Intl.NumberFormat[] = []

function formatterOf(maximumFractionDigits: number): Intl.NumberFormat {
  return (FORMATTERS[maximumFractionDigits] ??= new Intl.NumberFormat('en', {
    maximumFractionDigits,
  }))
}
