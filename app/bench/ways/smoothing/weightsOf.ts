import { formatDecimals } from '~/figures/format'
import type { SmoothingFigures } from '~~/core/stateSpace/figures'
import type { WeightName, Weights } from '~~/core/stateSpace/forms'
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

/** `α 0.12, β 0, γ 0.65` */
export function weightsWords(weights: Weights): string {
  return Object.entries(weights)
    .map(([name, weight]) => `${SIGNS[name as WeightName]} ${formatDecimals(weight, 2)}`)
    .join(', ')
}

const SIGNS: Readonly<Record<WeightName, string>> = { alpha: 'α', beta: 'β', gamma: 'γ', phi: 'φ' }
