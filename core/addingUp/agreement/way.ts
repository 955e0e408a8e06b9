import { figureOf, plain, type Expression } from '../../column/expression'
import type { SumNode } from '../nodes'

/** A step of how a forecast was made to add up. */
export interface AgreeStep {
  readonly says: string
  readonly expression: Expression
}

/** Forecasts of one period, each by itself, one entry a node: what is made to agree. */
export interface OwnForecasts {
  /** What stands above comes before what stands below it. */
  readonly nodes: readonly SumNode[]
  readonly own: readonly number[]
  /** Of the errors of those, each above 0. */
  readonly variances: readonly number[]
}

/** The same made to agree. */
export interface Agreed extends OwnForecasts {
  readonly agreed: readonly number[]
}

/** A way of making forecasts add up: those of members to that of what they are members of, on every level. */
export interface AgreementWay {
  readonly name: string
  /** How it is called in a sentence. */
  readonly says: string
  /** Whether a forecast can fall below 0 though none that it is made of does. */
  readonly canFallBelow: boolean
  /** One entry a node. */
  agree(forecasts: OwnForecasts): number[]
  /**
   * How the forecast of a node came about, step by step; the last comes to the figure itself.
   *
   * @param place of the node
   */
  working(forecasts: Agreed, place: number): AgreeStep[]
}

/** A node that keeps its forecast. */
export function keepsOwn({ nodes, own }: OwnForecasts, place: number): AgreeStep {
  return { says: 'its own forecast, which stays', expression: named(nodes[place]!, own[place]!) }
}

/** A figure under the name of its node, short enough to stand in the middle of a formula. */
export function named(node: SumNode, value: number): Expression {
  return figureOf(shortName(node), value)
}

export function shortName({ name }: SumNode): string {
  return name.length > 30 ? `${name.slice(0, 18)}…${name.slice(-10)}` : name
}

/** The sum of some figures, each under the name of its node. */
export function sumNamed(
  nodes: readonly SumNode[],
  places: readonly number[],
  valueAt: (place: number) => number,
): Expression {
  if (places.length === 0) return plain(0)
  const terms = places.map((at) => named(nodes[at]!, valueAt(at)))
  return { kind: 'average', how: 'sum', terms }
}
