import type { AddedUp } from './addUp'
import type { AgreeStep } from './agreement/way'
import { agreementWay, type AgreeBy } from './agreement/ways'

/**
 * How the forecast of a node for a period ahead came about, step by step.
 *
 * @param place of the node
 * @param h from 0
 * @returns the last step comes to the figure itself
 * @example the total by least squares: from below it is 110 with a variance of 2; averaged with its own 100 by their precision: 105
 */
export function workingOf(
  { nodes, weights: { variances } }: Pick<AddedUp, 'nodes' | 'weights'>,
  place: number,
  h: number,
  by: AgreeBy,
): AgreeStep[] {
  const own = nodes.map((node) => node.own[h]!)
  const agreed = nodes.map((node) => node.agreed[by][h]!)
  return agreementWay(by).working({ nodes, own, variances, agreed }, place)
}
