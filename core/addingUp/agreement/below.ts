import { sum } from '../../statistics/average'
import { keepsOwn, sumNamed, type AgreementWay } from './way'

/**
 * From below: forecasts of series stay as they are, and everything above is their sum.
 *
 * @example own 100 of the total, 60 and 50 of its members: 110, 60, 50
 */
export const BELOW = {
  name: 'below',
  says: 'from below',
  canFallBelow: false,
  agree: ({ nodes, own }) => {
    const sums = [...own]
    for (let place = nodes.length - 1; place >= 0; place--) {
      const { members } = nodes[place]!
      if (members.length > 0) sums[place] = sum(members.map((member) => sums[member]!))
    }
    return sums
  },
  working: (forecasts, place) => {
    const { nodes, agreed } = forecasts
    const { members } = nodes[place]!
    if (members.length === 0) return [keepsOwn(forecasts, place)]
    return [
      { says: 'the sum of its members', expression: sumNamed(nodes, members, (at) => agreed[at]!) },
    ]
  },
} as const satisfies AgreementWay
