import { mean, median } from '../statistics/average'
import type { Value } from './series'

/** Ways to make one value of several of the same period. */
export const GATHERINGS = ['sum', 'mean', 'median', 'first', 'last', 'count', 'min', 'max'] as const
export type Gathering = (typeof GATHERINGS)[number]

/**
 * One value of several. Missing ones do not count; of nothing but missing ones comes missing, never 0.
 *
 * @param values in the order of time, then of the file
 */
export function gather(values: readonly Value[], how: Gathering): Value {
  const present = values.filter((value): value is number => value !== null)
  if (present.length === 0) return null
  switch (how) {
    case 'sum':
      return sum(present)
    case 'mean':
      return mean(present)
    case 'median':
      return median(present)
    case 'first':
      return present[0]!
    case 'last':
      return present.at(-1)!
    case 'count':
      return present.length
    case 'min':
      return present.reduce((a, b) => Math.min(a, b))
    case 'max':
      return present.reduce((a, b) => Math.max(a, b))
  }
}

/** Sum with the rounding carried along (Neumaier 1974): a year of cents stays exact to the cent. */
function sum(values: readonly number[]): number {
  let total = 0
  let lost = 0
  for (const value of values) {
    const next = total + value
    lost += Math.abs(total) >= Math.abs(value) ? total - next + value : value - next + total
    total = next
  }
  return total + lost
}
