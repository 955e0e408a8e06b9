import { computed } from 'vue'
import type { Calendar } from '~~/core/calendar/calendar'
import { periodLabel } from '~~/core/calendar/labels'
import { parsePeriod } from '~~/core/calendar/codes'
import { formattersIn, readersFigures, type ReadersFigures } from '~~/core/words/readersFigures'
import { locale } from './locale'

/** Both made anew when the reader chooses other marks. */
const reader = computed(() => readersFigures(locale.value))
const formatter = computed(() => formattersIn(locale.value))

/** A figure with as many decimals as its size asks for: four or five significant digits. */
export function formatFigure(value: number): string {
  return reader.value.figure(value)
}

/** A figure with all the digits that it has. */
export function formatExact(value: number): string {
  return formatter.value(0, 20).format(value).replace('-', '−')
}

/** A figure in a line of words: three significant digits. */
export function formatRough(value: number): string {
  return reader.value.rough(value)
}

/** A figure with a fixed number of decimals, so that a row of them lines up. */
export function formatDecimals(value: number, decimals: number): string {
  return reader.value.decimals(value, decimals)
}

/** The same with its sign: `+12.3`, `−12.3`; of what is 0, or rounds to it, none. */
export function formatSigned(value: number, decimals: number): string {
  if (value === 0) return '0'
  if (Math.abs(value) < 0.5 * 10 ** -decimals) return formatDecimals(0, decimals)
  return `${value < 0 ? '−' : '+'}${formatDecimals(Math.abs(value), decimals)}`
}

/** A factor on an axis: at most three decimals, none that are not needed. */
export function formatFactor(value: number): string {
  return formatter.value(0, 3).format(value).replace('-', '−')
}

/** How many there are of something. */
export function formatCount(count: number): string {
  return formatter.value(0, 0).format(count)
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
  return reader.value.inText(text)
}

/** Figures as the reader writes them, for what the core says in words. */
export const READERS_FIGURES: ReadersFigures = {
  decimals: formatDecimals,
  figure: formatFigure,
  rough: formatRough,
  change: formatChange,
  inText: inReadersFigures,
}

/** A period code as the trade writes it: `Mar 2024`, or by the name that the season has. */
export function formatPeriodCode(code: string, calendar: Calendar): string {
  return periodLabel(parsePeriod(code, calendar)!, calendar)
}
