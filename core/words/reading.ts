import { MODEL, type Model } from '../model'
import { inUnit, percent } from './figure'

/**
 * How an index reads: `32% above the baseline` (multiplicative), `430 litres below the baseline`
 * (additive, in the units of the series).
 *
 * @param index seasonal index or seasonal-irregular
 */
export function readIndex(index: number, model: Model, unit: string): string {
  return readDeparture(index, MODEL[model].neutral, unit)
}

/**
 * The same for any figure that is read against 1 or 0.
 *
 * @param baseline 1 for a factor, 0 for an amount in the unit
 */
export function readDeparture(value: number, baseline: 0 | 1, unit: string): string {
  const distance = value - baseline
  if (distance === 0) return 'at the baseline'
  const size = baseline === 1 ? percent(distance) : inUnit(Math.abs(distance), unit)
  return `${size} ${distance > 0 ? 'above' : 'below'} the baseline`
}
