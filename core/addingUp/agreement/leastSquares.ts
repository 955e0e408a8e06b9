import { figureOf, operation } from '../../column/expression'
import { sum } from '../../statistics/average'
import {
  named,
  shortName,
  sumNamed,
  type AgreementWay,
  type AgreeStep,
  type OwnForecasts,
} from './way'

/** What a node is taken to be, and how uncertain that is. */
interface Estimate {
  readonly value: number
  /** In squared units; of structural weights, in series. */
  readonly variance: number
}

/**
 * By least squares: the forecasts that add up and, weighted by the inverse of their error variances, are the nearest to the own ones.
 *
 * Over a tree that problem falls into one of two figures at every node, so it takes no matrix, whatever the number of series: going
 * up, the own forecast of a node and the sum of its members are averaged by their precision; going down, what is left between a
 * node and the sum of its members is shared among them by their variances. Every step can be read.
 *
 * @source Computational Statistics & Data Analysis 55 (2011), 2579–2589; Journal of the American Statistical Association 114 (2019),
 *   804–819 (with uncorrelated errors)
 * @example own 100 of the total, 60 and 50 of its members, variances 2, 1, 1: 105, 57.5, 47.5
 */
export const LEAST_SQUARES = {
  name: 'least-squares',
  says: 'by least squares',
  canFallBelow: true,
  agree: (forecasts) => {
    const met = metFromBelow(forecasts)
    const final = met.map(({ value }) => value)
    forecasts.nodes.forEach(({ members }, place) => {
      if (members.length === 0) return
      const total = totalOf(members, met)
      const left = final[place]! - total.value
      for (const member of members) {
        final[member] = met[member]!.value + (left * met[member]!.variance) / total.variance
      }
    })
    return final
  },
  working: (forecasts, place) => {
    const { nodes, agreed } = forecasts
    const { parent: above } = nodes[place]!
    const met = metFromBelow(forecasts)
    const first = workingFromBelow(forecasts, place, met)
    if (above === null) return first
    const parent = nodes[above]!
    const left = operation(
      named(parent, agreed[above]!),
      '−',
      sumNamed(nodes, parent.members, (at) => met[at]!.value),
    )
    const part = operation(
      operation(left, '×', figureOf('variance', met[place]!.variance)),
      '÷',
      figureOf('variance of all members', totalOf(parent.members, met).variance),
    )
    return [
      ...first,
      {
        says: `and its part of what ${shortName(parent)} differs from the sum of its members, by how uncertain each is`,
        expression: operation(figureOf('from below', met[place]!.value), '+', part),
      },
    ]
  },
} as const satisfies AgreementWay

/** What each node is taken to be by what stands in it: of a series its own forecast, else that averaged with the sum of its members. */
function metFromBelow({ nodes, own, variances }: OwnForecasts): Estimate[] {
  const met = own.map((value, i): Estimate => ({ value, variance: variances[i]! }))
  for (let place = nodes.length - 1; place >= 0; place--) {
    const { members } = nodes[place]!
    if (members.length > 0) met[place] = averaged(met[place]!, totalOf(members, met))
  }
  return met
}

/** Two estimates of the same, averaged by their precision. */
function averaged(a: Estimate, b: Estimate): Estimate {
  const share = b.variance / (a.variance + b.variance)
  return { value: share * a.value + (1 - share) * b.value, variance: share * a.variance }
}

/** The sum of estimates whose errors have nothing to do with each other. */
function totalOf(members: readonly number[], all: readonly Estimate[]): Estimate {
  return {
    value: sum(members.map((member) => all[member]!.value)),
    variance: sum(members.map((member) => all[member]!.variance)),
  }
}

function workingFromBelow(
  { nodes, own, variances }: OwnForecasts,
  place: number,
  met: readonly Estimate[],
): AgreeStep[] {
  const node = nodes[place]!
  const { members } = node
  if (members.length === 0) {
    return [{ says: 'its own forecast', expression: named(node, own[place]!) }]
  }
  const ofOwn = figureOf('own variance', variances[place]!)
  const ofSum = figureOf('variance of the sum', totalOf(members, met).variance)
  const weighted = operation(
    operation(ofSum, '×', figureOf('own forecast', own[place]!)),
    '+',
    operation(
      ofOwn,
      '×',
      sumNamed(nodes, members, (at) => met[at]!.value),
    ),
  )
  return [
    {
      says: 'its own forecast and the sum of its members, each weighted by how uncertain the other is',
      expression: operation(weighted, '÷', operation(ofOwn, '+', ofSum)),
    },
  ]
}
