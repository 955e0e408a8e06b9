import type { Adjusted } from './adjust'
import { changeOf } from './frame'

/** How much each component moves over a span of periods, and its share of all that they move. */
export interface SpanShare {
  readonly span: number
  readonly meanChange: {
    readonly original: number
    readonly irregular: number
    readonly trendCycle: number
    readonly seasonal: number
  }
  /** In per cent. */
  readonly share: {
    readonly irregular: number
    readonly trendCycle: number
    readonly seasonal: number
  }
  /** What the squares of the components come to of the original's, in per cent. */
  readonly ofOriginal: number
}

/** The shares of irregular, trend-cycle and season over spans of one to m periods; periods that are not believed stand without their irregular. */
export function sharesBySpan({ frame, y, rounds }: Adjusted): SpanShare[] {
  const { terms, n, seasons } = frame
  const { weight } = rounds.round2
  const { trend, season2, irregular } = rounds.round3
  const kept = (i: number) => weight[i]! > 0
  const lists = {
    original: y.map((value, i) => (kept(i) ? value : terms.putBack(trend[i]!, season2[i]!))),
    irregular: irregular.map((value, i) => (kept(i) ? value : terms.neutral)),
    trendCycle: trend,
    seasonal: season2,
  }
  const over = (values: readonly number[], span: number) => {
    let sum = 0
    for (let i = span; i < n; i++) sum += changeOf(frame, values[i]!, values[i - span]!)
    return sum / (n - span)
  }
  return Array.from({ length: seasons }, (_, k): SpanShare => {
    const span = k + 1
    const meanChange = {
      original: over(lists.original, span),
      irregular: over(lists.irregular, span),
      trendCycle: over(lists.trendCycle, span),
      seasonal: over(lists.seasonal, span),
    }
    const { original, ...components } = meanChange
    const all = Object.values(components).reduce((sum, change) => sum + change ** 2, 0)
    const share = (change: number) => (100 * change ** 2) / all
    return {
      ...{ span, meanChange },
      share: {
        irregular: share(components.irregular),
        trendCycle: share(components.trendCycle),
        seasonal: share(components.seasonal),
      },
      ofOriginal: (100 * all) / original ** 2,
    }
  })
}
