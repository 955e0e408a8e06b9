import type { ReadersFigures } from '../words/readersFigures'
import type { WeightName, Weights } from './forms'

const SIGNS: Readonly<Record<WeightName, string>> = { alpha: 'α', beta: 'β', gamma: 'γ', phi: 'φ' }

/** `α 0.12, β 0, γ 0.65` */
export function weightsWords(weights: Weights, { decimals }: ReadersFigures): string {
  return Object.entries(weights)
    .map(([name, weight]) => `${SIGNS[name as WeightName]} ${decimals(weight, 2)}`)
    .join(', ')
}
