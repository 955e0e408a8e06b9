import { dayCode } from '../../calendar/rhythms/days'
import { easterOf } from '../../regression/regressors/calendar/easter'

/** A day that moves with Easter, by its distance from Easter Sunday. */
export interface FromEaster {
  readonly name: string
  /** Days after it; below 0 before it. */
  readonly days: number
}

/** Days that hang on Easter, in the order of the year. */
export const HANG_ON_EASTER: readonly FromEaster[] = [
  { name: 'Shrove Tuesday', days: -47 },
  { name: 'Good Friday', days: -2 },
  { name: 'Easter Monday', days: 1 },
  { name: 'Ascension Day', days: 39 },
  { name: 'Whit Sunday', days: 49 },
  { name: 'Whit Monday', days: 50 },
  { name: 'Corpus Christi', days: 60 },
]
/** The furthest a day can be asked for: within the same year, wherever Easter lies. */
export const LEAST_FROM_EASTER = -80
export const MOST_FROM_EASTER = 250

/**
 * The dates of a day that hangs on Easter, one a year.
 *
 * @param days after Easter Sunday, below 0 before it
 * @param years the first and the last of them
 * @example datesFromEaster(-2, { first: 2024, last: 2025 }) // ['2024-03-29', '2025-04-18']
 */
export function datesFromEaster(
  days: number,
  { first, last }: { readonly first: number; readonly last: number },
): string[] {
  return Array.from({ length: last - first + 1 }, (_, i) => dayCode(easterOf(first + i) + days))
}

/** What such a day is called: by its name, or by how far from Easter it lies. */
export function nameFromEaster(days: number): string {
  const named = HANG_ON_EASTER.find((one) => one.days === days)
  if (named) return named.name
  if (days === 0) return 'Easter Sunday'
  const apart = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`
  return `${apart} ${days < 0 ? 'before' : 'after'} Easter`
}
