import { baseline, type Model } from '../model'
import { figure, percent } from './figure'

/**
 * How an index reads: `32% above the baseline` (multiplicative), `430 litres below the baseline`
 * (additive, in the units of the series).
 *
 * @param index seasonal index or seasonal-irregular
 */
export function readIndex(index: number, model: Model, unit: string): string {
  const distance = index - baseline(model)
  if (distance === 0) return 'at the baseline'
  const size =
    model === 'multiplicative' ? percent(distance) : `${figure(Math.abs(distance))} ${unit}`
  return `${size} ${distance > 0 ? 'above' : 'below'} the baseline`
}
