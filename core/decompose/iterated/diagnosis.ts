import { MODEL, type Model } from '../../model'
import type { Adjusted } from './adjust'
import type { IteratedTaken } from './calculate'
import { frameOf, yearAt } from './frame'
import { seasonLeft, type LeftAfter } from './left'
import { sharesBySpan, type SpanShare } from './shares'
import { testAdjusted, type AdjustedTests } from './tests'

/** What there is to judge an adjustment by. */
export interface Diagnosis {
  readonly tests: AdjustedTests
  readonly shares: readonly SpanShare[]
  /** The shortest span from which on the trend moves more than the irregular; null where none within a year does. */
  readonly dominance: number | null
  readonly extremes: readonly ExtremesOfYear[]
  readonly seasonLeft: LeftAfter
}

/** The extremes of one calendar year, part years included. */
export interface ExtremesOfYear {
  readonly year: number
  /** What a deviation of the year is measured by. */
  readonly sigma: number
  /** Periods that are believed in part, and those that are not believed at all. */
  readonly part: number
  readonly none: number
}

/** Tests, shares and extremes of an adjustment. */
export function diagnose(taken: IteratedTaken, model: Model): Diagnosis {
  const adjusted = adjustedOf(taken, model)
  const shares = sharesBySpan(adjusted)
  return {
    tests: testAdjusted(adjusted.frame, adjusted.rounds.round3.siUnmodified),
    shares,
    dominance: dominanceOf(shares),
    extremes: extremesByYear(adjusted),
    seasonLeft: seasonLeft(adjusted),
  }
}

/** The procedure as it was, with the values that are not told twice: what adjusted and season come to together. */
export function adjustedOf(taken: IteratedTaken, model: Model): Adjusted {
  const { adjusted, season2 } = taken.rounds.round3
  const y = adjusted.map((value, i) => MODEL[model].putBack(value, season2[i]!))
  const values = y.slice(0, y.length - taken.extension.length)
  return { ...taken, y, frame: frameOf(model, { ...taken.frame, values }) }
}

function dominanceOf(shares: readonly SpanShare[]): number | null {
  const below = shares.findLastIndex(
    ({ meanChange }) => meanChange.irregular >= meanChange.trendCycle,
  )
  return shares[below + 1]?.span ?? null
}

function extremesByYear({ frame, rounds }: Adjusted): ExtremesOfYear[] {
  const { weight, sigma } = rounds.round2
  const own = weight.slice(0, frame.n)
  return [...sigma].map(([year, of]) => {
    const weights = own.filter((_weight, i) => yearAt(frame, i) === year)
    return {
      ...{ year, sigma: of },
      part: weights.filter((one) => one > 0 && one < 1).length,
      none: weights.filter((one) => one === 0).length,
    }
  })
}
