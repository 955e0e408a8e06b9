import { Refusal } from '../refusal'
import type { Value } from '../series/series'

/** What is said of a limit that growth has carried beyond any number. */
export const BEYOND_NUMBERS = 'This limit lies beyond what a number can hold.'

/** A limit, undefined where it has grown beyond what a number can hold: exp does so soon. */
export function limitOf(value: number): Value {
  return Number.isFinite(value) ? value : null
}

/** @throws Refusal for a forecast that has grown beyond what a number can hold */
export function requireNumbers(forecast: readonly number[]): void {
  if (forecast.every(Number.isFinite)) return
  throw new Refusal(
    'The forecast grows beyond what a number can hold. Take a straight line, or fewer periods ahead.',
    'trend.form',
  )
}

/**
 * Why a figure on the scale of a power has no value that it comes from: powers above 0 end below, powers below 0 end above.
 *
 * @example noWayBack(-0.5) // 'On the scale of the power this lies above every value: it is beyond any number.'
 */
export function noWayBack(lambda: number): string {
  return lambda > 0
    ? 'On the scale of the power this lies below every value: it would be under 0.'
    : 'On the scale of the power this lies above every value: it is beyond any number.'
}
