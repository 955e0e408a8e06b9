import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { compositeAverage, compositeWeights } from './compositeAverage'
import { centredAverage, offCentreAverages } from './movingAverage'
import { trailingAverage } from './rolling'
import { centredWeights, leavesSeason, seasonalGain } from './seasonalGain'
import {
  henderson,
  requireWeights,
  SPENCER,
  trailingWeights,
  weightedAverage,
} from './weightedAverage'

/** Any moving average an analyst can choose. Orders are in periods. */
export type AverageKind =
  | { readonly kind: 'centred'; readonly order: number }
  /** Of an even order before it is centred: it stands between two periods. */
  | { readonly kind: 'off-centre'; readonly order: number }
  | { readonly kind: 'composite'; readonly p: number; readonly q: number }
  | { readonly kind: 'trailing'; readonly order: number }
  | { readonly kind: 'spencer' }
  | { readonly kind: 'henderson'; readonly length: number }
  | { readonly kind: 'weights'; readonly weights: readonly number[] }
  /** Of the last periods, the newest first, as they were typed; what does not sum to 1 is brought to it. */
  | { readonly kind: 'trailing-weights'; readonly weights: readonly number[] }

/** A series smoothed by one moving average, with what that average costs and leaves. */
export interface Smoothed {
  /** One a period; an off-centre average on the entry of the first value it averages. */
  readonly values: readonly Value[]
  readonly weights: readonly number[]
  /** Periods from a value's own to the first that it averages: −6 for a 2×12. */
  readonly reach: number
  /** Periods to the right of its entry at which it stands: a half for an average between two. */
  readonly offset: number
  /** Periods without an average at either end. */
  readonly lost: { readonly start: number; readonly end: number }
  /** The share of each seasonal wave that it lets through, from the yearly one to the shortest. */
  readonly gain: readonly number[]
  readonly leavesSeason: boolean
}

/**
 * Smooths a series by any moving average.
 *
 * @param values one a period, null = missing
 * @param seasons m, for the gain
 * @throws Refusal for an order that is not a whole number from 1, for a p×q that cannot be centred, for an
 *   even or too short Henderson average, for centred weights that are even in number, not symmetric or do not
 *   sum to 1, and for trailing ones that sum to 0 or less
 * @example smoothBy([1, 3, 5, 7, 9], { kind: 'centred', order: 4 }, 4).values // [null, null, 5, null, null]
 */
export function smoothBy(values: readonly Value[], kind: AverageKind, seasons: number): Smoothed {
  requireOrders(kind)
  const weights = weightsOf(kind)
  const { length } = weights
  const half = (length - 1) / 2
  const { reach, offset, lost } =
    kind.kind === 'trailing' || kind.kind === 'trailing-weights'
      ? { reach: 1 - length, offset: 0, lost: { start: length - 1, end: 0 } }
      : kind.kind === 'off-centre'
        ? { reach: 0, offset: half, lost: { start: Math.floor(half), end: Math.floor(half) } }
        : { reach: -half, offset: 0, lost: { start: half, end: half } }
  const gain = seasonalGain(weights, seasons)
  return {
    values: averageBy(values, kind, weights, reach),
    weights,
    reach,
    offset,
    lost,
    gain,
    leavesSeason: leavesSeason(gain),
  }
}

function averageBy(
  values: readonly Value[],
  kind: AverageKind,
  weights: readonly number[],
  reach: number,
): Value[] {
  switch (kind.kind) {
    case 'centred':
      return centredAverage(values, kind.order)
    case 'off-centre':
      return offCentreAverages(values, kind.order)
    case 'composite':
      return compositeAverage(values, kind.p, kind.q)
    case 'trailing':
      return trailingAverage(values, kind.order)
    default:
      return weightedAverage(values, weights, reach)
  }
}

function weightsOf(kind: AverageKind): readonly number[] {
  switch (kind.kind) {
    case 'centred':
      return centredWeights(kind.order)
    case 'off-centre':
    case 'trailing':
      return Array.from({ length: kind.order }, () => 1 / kind.order)
    case 'composite':
      return compositeWeights(kind.p, kind.q)
    case 'spencer':
      return SPENCER
    case 'henderson':
      return henderson(kind.length)
    case 'weights':
      requireWeights(kind.weights)
      return kind.weights
    case 'trailing-weights':
      return trailingWeights(kind.weights)
  }
}

function requireOrders(kind: AverageKind): void {
  const orders = 'order' in kind ? [kind.order] : kind.kind === 'composite' ? [kind.p, kind.q] : []
  const wrong = orders.find((order) => !(Number.isInteger(order) && order >= 1 && order <= 1000))
  if (wrong === undefined) return
  throw new Refusal(
    `The order ${wrong} is not possible: an average has a whole number of terms from 1 to 1,000.`,
    'order',
  )
}

/** What an average is called: `2×12`, `5 terms`, `3×5`, `last 12`, `Spencer’s 15`, `Henderson’s 13`. */
export function averageName(kind: AverageKind): string {
  switch (kind.kind) {
    case 'centred':
      return kind.order % 2 === 0 ? `2×${kind.order}` : `${kind.order} terms`
    case 'off-centre':
      return `${kind.order}-term average`
    case 'composite':
      return `${kind.p}×${kind.q}`
    case 'trailing':
      return `last ${kind.order}`
    case 'spencer':
      return 'Spencer’s 15'
    case 'henderson':
      return `Henderson’s ${kind.length}`
    case 'weights':
      return `own ${kind.weights.length} weights`
    case 'trailing-weights':
      return `last ${kind.weights.length}, own weights`
  }
}
