import { mean } from '../statistics/average'
import type { SumNode } from './nodes'
import type { OwnTry, Span } from './own'

/** How uncertain the forecasts of nodes are taken to be. */
export interface Weights {
  /** Of the errors that were seen; or, with too few of them, as many as there are series in a node. */
  readonly kind: 'errors' | 'structure'
  /** One entry a node, above 0. */
  readonly variances: readonly number[]
}

/** With fewer errors than this of any node, its variance would say more of chance than of the node. */
const FEWEST_ERRORS = 12
/** What was never off is taken to be as certain as this share of the next most certain: nothing is known for ever. */
const CERTAIN = 1e-6

/**
 * How uncertain each forecast is: the mean square of its errors, of all steps ahead, as far as they had been seen at an origin.
 *
 * @param tries one list a node, in it one entry an origin
 * @param by place of the origin from which something is forecast: only what had come by then is known; left out, all of it
 */
export function weightsFrom(
  nodes: readonly SumNode[],
  tries: readonly (readonly (OwnTry | null)[])[],
  { step }: Span,
  by = Infinity,
): Weights {
  const squares = tries.map((own) =>
    own.slice(0, Math.min(by, own.length)).flatMap((one, j) => {
      const known = by === Infinity ? Infinity : (by - j) * step
      return (one?.actual.slice(0, known) ?? []).flatMap((value, h) =>
        value === null ? [] : [(value - one!.forecast[h]!) ** 2],
      )
    }),
  )
  const means = squares.map((own) => mean(own) ?? 0)
  const least = Math.min(...means.filter((one) => one > 0))
  if (squares.some((own) => own.length < FEWEST_ERRORS) || !Number.isFinite(least)) {
    return { kind: 'structure', variances: nodes.map(({ series }) => series.length) }
  }
  return { kind: 'errors', variances: means.map((one) => Math.max(one, CERTAIN * least)) }
}
