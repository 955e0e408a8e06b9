import type { Calendar } from '~~/core/calendar/calendar'
import { periodLabel } from '~~/core/calendar/labels'
import { parsePeriod } from '~~/core/calendar/period'
import type { ReadersFigures } from '~~/core/words/readersFigures'
import { locale } from './locale'

/** Below this no figure of a business is anything but what rounding left of 0. */
const ROUNDING = 1e-11

/** A figure with as many decimals as its size asks for: four or five significant digits. */
export function formatFigure(value: number): string {
  // What is left of a 0 by rounding is one: twelve decimals of nothing say nothing.
  if (Math.abs(value) < ROUNDING) return '0'
  const magnitude = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)))
  const decimals = magnitude >= 0 ? 4 - magnitude : 3 - magnitude
  return formatDecimals(value, Number.isInteger(value) ? 0 : Math.min(Math.max(decimals, 0), 12))
}

/** A figure with all the digits that it has. */
export function formatExact(value: number): string {
  return formatter(0, 20).format(value).replace('-', '−')
}

/** A figure in a line of words: three significant digits. */
export function formatRough(value: number): string {
  return value.toLocaleString(locale.value, { maximumSignificantDigits: 3 }).replace('-', '−')
}

/** One formatter for each kind of figure: making one takes far longer than using it. */
const FORMATTERS = new Map<string, Intl.NumberFormat>()

function formatter(least: number, most: number): Intl.NumberFormat {
  const key = `${locale.value} ${least} ${most}`
  const known = FORMATTERS.get(key)
  if (known) return known
  const made = new Intl.NumberFormat(locale.value, {
    minimumFractionDigits: least,
    maximumFractionDigits: most,
  })
  FORMATTERS.set(key, made)
  return made
}

/** A figure with a fixed number of decimals, so that a row of them lines up. */
export function formatDecimals(value: number, decimals: number): string {
  // A residual of −0.04 shown to one decimal is 0.0, not −0.0.
  const shown = Math.abs(value) < 0.5 * 10 ** -decimals ? 0 : value
  return formatter(decimals, decimals).format(shown).replace('-', '−')
}

/** The same with its sign: `+12.3`, `−12.3`; of what is 0, or rounds to it, none. */
export function formatSigned(value: number, decimals: number): string {
  if (value === 0) return '0'
  if (Math.abs(value) < 0.5 * 10 ** -decimals) return formatDecimals(0, decimals)
  return `${value < 0 ? '−' : '+'}${formatDecimals(Math.abs(value), decimals)}`
}

/** A factor on an axis: at most three decimals, none that are not needed. */
export function formatFactor(value: number): string {
  return formatter(0, 3).format(value).replace('-', '−')
}

/** How many there are of something. */
export function formatCount(count: number): string {
  return formatter(0, 0).format(count)
}

/** A change in per cent with its sign: `+3.1%`. */
export function formatChange(percent: number, decimals = 1): string {
  return `${formatSigned(percent, decimals)}%`
}

/** A p-value; below 0.0001 only that it is. */
export function formatP(p: number): string {
  return p < 0.0001 ? `< ${formatDecimals(0.0001, 4)}` : formatDecimals(p, 4)
}

/** A day as the reader writes it. */
export function formatDay(time: string | number): string {
  return new Date(time).toLocaleDateString(locale.value)
}

/** A day and the time of it. */
export function formatMoment(time: string | number): string {
  return new Date(time).toLocaleString(locale.value, { dateStyle: 'medium', timeStyle: 'short' })
}

/**
 * A sentence of the core, whose figures are written `1,234.5`, with its figures as the reader writes them.
 * Codes and dates have no such mark between their figures and stay as they are.
 *
 * @example inReadersFigures('off by 1,234.5 litres') // in de-DE: 'off by 1.234,5 litres'
 */
export function inReadersFigures(text: string): string {
  const [group, , , , mark] = formatter(1, 1).format(1234.5).slice(1)
  if (group === ',' && mark === '.') return text
  return text.replace(/\d+(?:,\d{3})+(?:\.\d+)?|\d+\.\d+/g, (figure) => {
    const [, decimals = ''] = figure.split('.')
    return formatter(decimals.length, decimals.length).format(Number(figure.replaceAll(',', '')))
  })
}

/** Figures as the reader writes them, for what the core says in words. */
export const READERS_FIGURES: ReadersFigures = {
  decimals: formatDecimals,
  rough: formatRough,
  change: formatChange,
  inText: inReadersFigures,
}

/** A period code as the trade writes it: `Mar 2024`, or by the name that the season has. */
export function formatPeriodCode(code: string, calendar: Calendar): string {
  return periodLabel(parsePeriod(code, calendar)!, calendar)
}
