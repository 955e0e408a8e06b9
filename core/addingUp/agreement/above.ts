import { figureOf, operation } from '../../column/expression'
import { sum } from '../../statistics/average'
import type { SumNode } from '../nodes'
import { keepsOwn, named, shortName, sumNamed, type AgreementWay, type OwnForecasts } from './way'

/**
 * From above: the forecast of the total stays as it is, and is shared out on every level as the forecasts of the members are to
 * each other.
 *
 * @example own 100 of the total, 60 and 50 of its members: 100, 54.5, 45.5
 */
export const ABOVE = {
  name: 'above',
  says: 'from above',
  canFallBelow: false,
  agree: (forecasts) => {
    const shared = [...forecasts.own]
    forecasts.nodes.forEach((node, place) => {
      const shares = sharesOf(forecasts, node)
      node.members.forEach((member, i) => (shared[member] = shared[place]! * shares[i]!))
    })
    return shared
  },
  working: (forecasts, place) => {
    const { nodes, own, agreed } = forecasts
    const node = nodes[place]!
    if (node.parent === null) return [keepsOwn(forecasts, place)]
    const parent = nodes[node.parent]!
    const share = sharesOf(forecasts, parent)[parent.members.indexOf(place)]!
    const isOfForecasts = haveShares(parent.members.map((at) => own[at]!))
    const [part, whole] = isOfForecasts
      ? [named(node, own[place]!), sumNamed(nodes, parent.members, (at) => own[at]!)]
      : [
          figureOf('series in it', node.series.length),
          figureOf('series in all', parent.series.length),
        ]
    const made = operation(part, '÷', whole)
    return [
      {
        says: isOfForecasts
          ? `its share, as the own forecasts of the members of ${shortName(parent)} are to each other`
          : 'its share, by how many series are in it, as forecasts at 0 or below have none',
        expression: made,
      },
      {
        says: `that share of ${shortName(parent)}`,
        expression: operation(
          named(parent, agreed[node.parent]!),
          '×',
          figureOf('share', share, made),
        ),
      },
    ]
  },
} as const satisfies AgreementWay

/**
 * The share of each member in what it is a member of, as their own forecasts are to each other.
 *
 * @returns where nothing is forecast of any, or less than nothing of one, there are no shares of that: each has one by how many
 *   series are in it
 */
function sharesOf({ nodes, own }: OwnForecasts, { members, series }: SumNode): number[] {
  const forecasts = members.map((member) => own[member]!)
  if (!haveShares(forecasts)) {
    return members.map((member) => nodes[member]!.series.length / series.length)
  }
  const all = sum(forecasts)
  return forecasts.map((one) => one / all)
}

/** Whether forecasts are shares of their sum: of nothing, or of less than nothing, there are none. */
function haveShares(own: readonly number[]): boolean {
  return own.some((one) => one > 0) && own.every((one) => one >= 0)
}
