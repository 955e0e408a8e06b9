import type { Value } from '../series/series'
import type { ArimaFigures } from './model'
import type { GivenModel } from './orderOptions'
import { nameOfModel } from './words'

/** A model that was looked at, with what its criteria are of. */
export interface SeenModel extends GivenModel {
  /** `(0,1,1)(0,1,1)`, and what was known beside. */
  readonly name: string
  readonly k: number
  readonly aicc: Value
  /** Power of the scale; null for the values as they are. */
  readonly lambda: Value
  /** What it was fitted to, on that scale. */
  readonly values: readonly Value[]
}

/** A model as one that was looked at. @param seasons m of the model */
export function seen(
  { order, constant, names, k, aicc }: ArimaFigures,
  lambda: Value,
  values: readonly Value[],
  seasons: number,
): SeenModel {
  const beside = names.slice(constant === 'none' ? 0 : 1)
  const known = beside.length > 0 ? `, ${beside.join(', ')}` : ''
  return {
    name: `${nameOfModel({ order, constant }, seasons)}${known}${lambda === null ? '' : `, λ ${lambda.toFixed(2)}`}`,
    ...{ order, constant, k, aicc, lambda, values },
  }
}

/** Why the criteria of one model say nothing beside those of another; null where they do. */
export function whyNotComparable(one: SeenModel, other: SeenModel): string | null {
  if (one.order.d !== other.order.d || one.order.D !== other.order.D) return 'other differences'
  if (one.lambda !== other.lambda) return 'another scale'
  const isSame =
    one.values.length === other.values.length &&
    one.values.every((value, i) => value === other.values[i])
  return isSame ? null : 'other values'
}
