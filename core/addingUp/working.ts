import { figureOf, operation, plain, type Expression } from '../column/expression'
import { haveShares, metFromBelow, sharesOf, totalOf, type AgreeBy, type Estimate } from './agree'
import type { AddedUp } from './addUp'

/** A step of how a forecast was made to add up. */
export interface AgreeStep {
  readonly says: string
  readonly expression: Expression
}

/**
 * How the forecast of a node for a period ahead came about, step by step.
 *
 * @param place of the node
 * @param h from 0
 * @returns the last step comes to the figure itself
 * @example the total by least squares: from below it is 110 with a variance of 2; averaged with its own 100 by their precision: 105
 */
export function workingOf(
  { nodes, weights }: Pick<AddedUp, 'nodes' | 'weights'>,
  place: number,
  h: number,
  by: AgreeBy,
): AgreeStep[] {
  const node = nodes[place]!
  const ownAt = (at: number) => nodes[at]!.own[h]!
  const own = nodes.map((_, at) => ownAt(at))
  const named = (at: number, value: number) => figureOf(shortName(nodes[at]!.name), value)
  const agreedOf = (at: number) => named(at, nodes[at]!.agreed[by][h]!)
  const asOwn: AgreeStep = {
    says: 'its own forecast, which stays',
    expression: named(place, ownAt(place)),
  }
  switch (by) {
    case 'below':
      if (node.members.length === 0) return [asOwn]
      return [{ says: 'the sum of its members', expression: sumOf(node.members.map(agreedOf)) }]
    case 'above': {
      if (node.parent === null) return [asOwn]
      const parent = nodes[node.parent]!
      const share = sharesOf(nodes, own, parent)[parent.members.indexOf(place)]!
      const sum = sumOf(parent.members.map((at) => named(at, ownAt(at))))
      const isOfForecasts = haveShares(parent.members.map(ownAt))
      const made = isOfForecasts
        ? operation(named(place, ownAt(place)), '÷', sum)
        : operation(
            figureOf('series in it', node.series.length),
            '÷',
            figureOf('series in all', parent.series.length),
          )
      return [
        {
          says: isOfForecasts
            ? `its share, as the own forecasts of the members of ${shortName(parent.name)} are to each other`
            : 'its share, by how many series are in it, as forecasts at 0 or below have none',
          expression: made,
        },
        {
          says: `that share of ${shortName(parent.name)}`,
          expression: operation(agreedOf(node.parent), '×', figureOf('share', share, made)),
        },
      ]
    }
    case 'least-squares':
      return byLeastSquares()
  }

  function byLeastSquares(): AgreeStep[] {
    const met = metFromBelow(nodes, own, weights.variances)
    const first = fromBelow(met)
    const isTotal = node.parent === null
    if (isTotal) return first
    const parent = nodes[node.parent!]!
    const sum = totalOf(parent.members, met)
    const left = operation(
      agreedOf(node.parent!),
      '−',
      sumOf(parent.members.map((at) => named(at, met[at]!.value))),
    )
    return [
      ...first,
      {
        says: `and its part of what ${shortName(parent.name)} differs from the sum of its members, by how uncertain each is`,
        expression: operation(
          figureOf('from below', met[place]!.value),
          '+',
          operation(
            operation(left, '×', figureOf('variance', met[place]!.variance)),
            '÷',
            figureOf('variance of all members', sum.variance),
          ),
        ),
      },
    ]
  }

  /** What the node is by what stands in it; a series by its own forecast. */
  function fromBelow(met: readonly Estimate[]): AgreeStep[] {
    if (node.members.length === 0) return [{ ...asOwn, says: 'its own forecast' }]
    const sum = totalOf(node.members, met)
    const variance = weights.variances[place]!
    const [ofOwn, ofSum] = [
      figureOf('own variance', variance),
      figureOf('variance of the sum', sum.variance),
    ]
    return [
      {
        says: 'its own forecast and the sum of its members, each weighted by how uncertain the other is',
        expression: operation(
          operation(
            operation(ofSum, '×', figureOf('own forecast', ownAt(place))),
            '+',
            operation(ofOwn, '×', sumOf(node.members.map((at) => named(at, met[at]!.value)))),
          ),
          '÷',
          operation(ofOwn, '+', ofSum),
        ),
      },
    ]
  }
}

function sumOf(terms: readonly Expression[]): Expression {
  return terms.length === 0 ? plain(0) : { kind: 'average', how: 'sum', terms }
}

/** Names stand in the middle of a formula. */
function shortName(name: string): string {
  return name.length > 30 ? `${name.slice(0, 18)}…${name.slice(-10)}` : name
}
