import type { SmoothingFigures } from '~~/core/stateSpace/figures'
import type { WeightName } from '~~/core/stateSpace/forms'
import { WEIGHT_SAYS } from '~~/core/forecast/smoothing/words'

/** A weight with how it came about. */
export interface ShownWeight {
  readonly name: WeightName
  readonly says: string
  readonly value: number
  readonly how: 'chosen' | 'fixed' | 'chosen, at its bound' | 'without effect'
}

/** The weights of a smoothing in their order. */
export function shownWeights(figures: SmoothingFigures): ShownWeight[] {
  const { weights, fixed, atBound, withoutEffect } = figures
  const how = (name: WeightName): ShownWeight['how'] => {
    if (withoutEffect.includes(name)) return 'without effect'
    if (fixed.includes(name)) return 'fixed'
    return atBound.includes(name) ? 'chosen, at its bound' : 'chosen'
  }
  return (Object.keys(weights) as WeightName[]).map((name) => ({
    name,
    says: WEIGHT_SAYS[name],
    value: weights[name]!,
    how: how(name),
  }))
}
