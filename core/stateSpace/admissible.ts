import { Refusal } from '../refusal'
import type { Left, Runner } from './recursion'

/** How far ahead a smoothing has to keep the conditions of its form, and what periods are called. */
export interface Reach {
  readonly horizon: number
  /** An entry from 0; beyond the last the periods ahead. */
  nameOf(entry: number): string
}

/** The values alone, by their place. */
export const WITHOUT_HORIZON: Reach = { horizon: 0, nameOf: (entry) => `period ${entry + 1}` }

const FALLS: Readonly<Record<Left, string>> = {
  level: 'the level',
  growth: 'the growth of the trend',
  index: 'the index of the season',
  mean: 'the forecast of one step',
}

/**
 * Why a smoothing that broke off cannot be carried out: what fell to 0, when, and what to take instead. Its sums are those
 * of a part of the values, and what it says of the rest is no figure at all.
 *
 * @param runner after a pass that was not admissible
 * @example The level falls to 0 in Mar 2027, ... Take a damped slope, additive parts and errors, or a shorter horizon.
 */
export function brokenPass({ broke: { at, on }, n, form }: Runner, { nameOf }: Reach): Refusal {
  const isAhead = at >= n
  const what = on === 'mean' && isAhead ? 'the forecast' : FALLS[on]
  const ways = [
    ...(form.trend === 'none' || form.trend === 'damped' ? [] : ['a damped slope']),
    'additive parts and errors',
    ...(isAhead ? ['a shorter horizon'] : ['other weights']),
  ]
  const take = `${ways.slice(0, -1).join(', ')} or ${ways.at(-1)}`
  return new Refusal(
    `By this smoothing ${what} falls to 0 in ${nameOf(at)}, and what multiplies or is a share must stay above it. Take ${take}.`,
    '',
    { t: at + 1 },
  )
}
