import { calendarOf, type Frequency } from '~~/core/calendar/calendar'
import { periodLabel } from '~~/core/calendar/labels'
import { parsePeriod } from '~~/core/calendar/period'

/** The reader's locale, as the browser states it. */
const LOCALE = undefined

/** A figure with as many decimals as its size asks for: four or five significant digits. */
export function formatFigure(value: number): string {
  const magnitude = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)))
  const decimals = magnitude >= 0 ? 4 - magnitude : 3 - magnitude
  return formatDecimals(value, Number.isInteger(value) ? 0 : Math.min(Math.max(decimals, 0), 12))
}

/** A figure in a line of words: three significant digits. */
export function formatRough(value: number): string {
  return value.toLocaleString(LOCALE, { maximumSignificantDigits: 3 }).replace('-', '−')
}

/** One formatter for each number of decimals: making one takes far longer than using it. */
const FORMATTERS = new Map<number, Intl.NumberFormat>()

function formatter(decimals: number): Intl.NumberFormat {
  const known = FORMATTERS.get(decimals)
  if (known) return known
  const made = new Intl.NumberFormat(LOCALE, {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  })
  FORMATTERS.set(decimals, made)
  return made
}

/** A figure with a fixed number of decimals, so that a row of them lines up. */
export function formatDecimals(value: number, decimals: number): string {
  // A residual of −0.04 shown to one decimal is 0.0, not −0.0.
  const shown = Math.abs(value) < 0.5 * 10 ** -decimals ? 0 : value
  return formatter(decimals).format(shown).replace('-', '−')
}

const UP_TO_THREE = new Intl.NumberFormat(LOCALE, { maximumFractionDigits: 3 })

/** A factor on an axis: at most three decimals, none that are not needed. */
export function formatFactor(value: number): string {
  return UP_TO_THREE.format(value)
}

/** A change in per cent with its sign: `+3.1%`. */
export function formatChange(percent: number): string {
  const size = formatDecimals(Math.abs(percent), 1)
  return `${percent < 0 ? '−' : '+'}${size}%`
}

/** A p-value; below 0.0001 only that it is. */
export function formatP(p: number): string {
  return p < 0.0001 ? `< ${formatDecimals(0.0001, 4)}` : formatDecimals(p, 4)
}

/** A period code as the trade writes it: `Mar 2024`. */
export function formatPeriodCode(code: string, frequency: Frequency, seasons: number): string {
  const calendar = calendarOf(frequency, { seasons })
  return periodLabel(parsePeriod(code, calendar)!, calendar)
}
