import { axisOf } from '../calendar/axis'
import { Refusal } from '../refusal'
import type { Series } from './series'

/** Beyond these the square of a value, which every regression forms, is no longer a number, or is lost. */
const LARGEST = 1e100
const SMALLEST = 1e-100

/**
 * Checks what no calculation can do without: finite values of a size that can be squared.
 *
 * @throws Refusal naming the first offending period
 */
export function requireUsable(series: Series): void {
  const at = series.values.findIndex((value) => value !== null && !isUsable(value))
  if (at < 0) return
  const { yearOf, seasonOf, codeAt } = axisOf(series)
  throw new Refusal(
    Math.abs(series.values[at]!) < 1
      ? `The value ${series.values[at]} is too small to calculate with (less than 1e-100 in size, and not 0).`
      : `The value ${series.values[at]} is too large to calculate with (more than 1e100 in size).`,
    codeAt(at + 1),
    { t: at + 1, year: yearOf(at + 1), season: seasonOf(at + 1) },
  )
}

function isUsable(value: number): boolean {
  const size = Math.abs(value)
  return value === 0 || (size >= SMALLEST && size <= LARGEST)
}
