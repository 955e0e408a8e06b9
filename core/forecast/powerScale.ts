import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { choosePower, type ChosenPower } from '../transform/guerrero'
import { figure } from '../words/figure'
import { NAMED_POWERS, type TransformOption } from './powerOptions'

/** The scale of a power that a model is of. */
export interface Transform {
  readonly lambda: number
  /** How it was chosen; null where it was named. */
  readonly chosen: ChosenPower | null
}

/**
 * The scale that a method asks for.
 *
 * @returns null for the values as they are
 * @throws Refusal for a value not above 0, naming the first, and where a power cannot be chosen
 */
export function transformOf(
  option: TransformOption,
  values: readonly Value[],
  seasons: number,
  nameOf: (i: number) => string,
): Transform | null {
  if (option === 'none') return null
  const at = values.findIndex((value) => value !== null && value <= 0)
  if (at >= 0) {
    throw new Refusal(
      `A power transform needs every value above 0; that of ${nameOf(at)} is ${figure(values[at]!)}. Take the values as they are.`,
      'forecast.transform',
      { t: at + 1 },
    )
  }
  if (option !== 'chosen') {
    return { lambda: typeof option === 'number' ? option : NAMED_POWERS[option], chosen: null }
  }
  const chosen = choosePower(values, seasons)
  return { lambda: chosen.lambda, chosen }
}

/** `ln of sales`, `square root of sales`, `sales to the power 0.3` */
export function transformWords(lambda: number, noun: string): string {
  if (lambda === 0) return `ln of ${noun}`
  return lambda === 0.5 ? `square root of ${noun}` : `${noun} to the power ${figure(lambda)}`
}
