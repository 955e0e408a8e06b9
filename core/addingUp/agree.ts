import type { SumNode } from './nodes'

/** How forecasts are made to add up, the plainest first. */
export const AGREE_BY = ['below', 'above', 'least-squares'] as const
export type AgreeBy = (typeof AGREE_BY)[number]

/** What a node is taken to be, and how uncertain that is. */
export interface Estimate {
  readonly value: number
  /** In squared units; of structural weights, in series. */
  readonly variance: number
}

/**
 * Forecasts of one period that add up: those of members to that of what they are members of, on every level.
 *
 * @param nodes what stands above comes before what stands below it
 * @param own their own forecasts, one entry a node
 * @param variances of the errors of those, each above 0; looked at by least squares alone
 * @returns one entry a node
 * @example own 100 of the total, 60 and 50 of its members: from below 110, 60, 50; from above 100, 54.5, 45.5;
 *   by least squares with variances 2, 1, 1: 105, 57.5, 47.5
 */
export function agreed(
  nodes: readonly SumNode[],
  own: readonly number[],
  by: AgreeBy,
  variances: readonly number[],
): number[] {
  switch (by) {
    case 'below':
      return fromBelow(nodes, own)
    case 'above':
      return fromAbove(nodes, own)
    case 'least-squares':
      return byLeastSquares(nodes, own, variances)
  }
}

/** Forecasts of series stay as they are, and everything above is their sum. */
function fromBelow(nodes: readonly SumNode[], own: readonly number[]): number[] {
  const sums = [...own]
  for (let place = nodes.length - 1; place >= 0; place--) {
    const { members } = nodes[place]!
    if (members.length > 0) sums[place] = sumOf(members, sums)
  }
  return sums
}

/** The forecast of the total stays as it is, and is shared out on every level as the forecasts of the members are to each other. */
function fromAbove(nodes: readonly SumNode[], own: readonly number[]): number[] {
  const shared = [...own]
  nodes.forEach((node, place) => {
    const shares = sharesOf(nodes, own, node)
    node.members.forEach((member, i) => (shared[member] = shared[place]! * shares[i]!))
  })
  return shared
}

/**
 * The share of each member in what it is a member of, as their own forecasts are to each other.
 *
 * @returns where nothing is forecast of any, or less than nothing of one, there are no shares of that: each has one by how many
 *   series are in it
 */
export function sharesOf(
  nodes: readonly SumNode[],
  own: readonly number[],
  { members, series }: SumNode,
): number[] {
  const sum = sumOf(members, own)
  const hasShares = haveShares(members.map((member) => own[member]!))
  return members.map((member) =>
    hasShares ? own[member]! / sum : nodes[member]!.series.length / series.length,
  )
}

/** Whether forecasts are shares of their sum: of nothing, or of less than nothing, there are none. */
export function haveShares(own: readonly number[]): boolean {
  return own.some((one) => one > 0) && own.every((one) => one >= 0)
}

/**
 * The forecasts that add up and, weighted by the inverse of their error variances, are the nearest to the own ones.
 *
 * Over a tree that least-squares problem falls into one of two figures at every node, so it takes no matrix, whatever the number
 * of series: going up, the own forecast of a node and the sum of its members are averaged by their precision; going down, what
 * is left between a node and the sum of its members is shared among them by their variances. Every step can be read.
 *
 * @source Computational Statistics & Data Analysis 55 (2011), 2579–2589; Journal of the American Statistical Association 114 (2019),
 *   804–819 (with uncorrelated errors)
 */
function byLeastSquares(
  nodes: readonly SumNode[],
  own: readonly number[],
  variances: readonly number[],
): number[] {
  const met = metFromBelow(nodes, own, variances)
  const final = met.map(({ value }) => value)
  nodes.forEach(({ members }, place) => {
    if (members.length === 0) return
    const sum = totalOf(members, met)
    const left = final[place]! - sum.value
    for (const member of members) {
      final[member] = met[member]!.value + (left * met[member]!.variance) / sum.variance
    }
  })
  return final
}

/** What each node is taken to be by what stands in it: of a series its own forecast, else that averaged with the sum of its members. */
export function metFromBelow(
  nodes: readonly SumNode[],
  own: readonly number[],
  variances: readonly number[],
): Estimate[] {
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
export function totalOf(members: readonly number[], all: readonly Estimate[]): Estimate {
  return {
    value: members.reduce((sum, member) => sum + all[member]!.value, 0),
    variance: members.reduce((sum, member) => sum + all[member]!.variance, 0),
  }
}

function sumOf(members: readonly number[], values: readonly number[]): number {
  return members.reduce((sum, member) => sum + values[member]!, 0)
}
