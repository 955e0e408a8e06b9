import type { Model } from '../../model'
import { orNull } from '../../refusal'
import type { Steps } from '../../work/steps'
import { adjust, type Adjusted } from './adjust'
import type { Adjustable, IteratedOptions } from './adjustable'

/** How the figures of a period moved from when it was among the last to now. */
export interface Revised {
  /** Entry, counted from 1. */
  readonly t: number
  readonly first: number
  readonly last: number
  /** In per cent, or of an additive model in units. */
  readonly revision: number
  readonly trendFirst: number
  readonly trendLast: number
  readonly trendRevision: number
}

export interface RevisionsOfYear {
  readonly yearsDropped: number
  /** The last year of the shorter series. */
  readonly periods: readonly Revised[]
  readonly meanAbsoluteRevision: number
  readonly meanAbsoluteTrendRevision: number
}

/**
 * How adjusted values and trends moved when later years came: the series is cut by one year after the other, and the last year of
 * each shorter one is laid beside what it is now.
 *
 * @param years that are dropped at the most; fewer where the shorter series would be refused
 */
export function* revisionSteps(
  series: Adjustable,
  model: Model,
  options: IteratedOptions,
  years: number,
): Steps<RevisionsOfYear[]> {
  const { seasons, values } = series
  const whole = { ...series, extension: [] }
  const now = adjust(whole, model, options)
  const all: RevisionsOfYear[] = []
  for (let dropped = 1; dropped <= years; dropped++) {
    const shorter = { ...whole, values: values.slice(0, values.length - dropped * seasons) }
    const then = orNull(() => adjust(shorter, model, options))
    if (!then) break
    all.push({ yearsDropped: dropped, ...revised(then, now) })
    yield { done: dropped, of: years, words: 'years taken back' }
  }
  return all
}

function revised(then: Adjusted, now: Adjusted): Omit<RevisionsOfYear, 'yearsDropped'> {
  const { n, seasons, model } = then.frame
  const moved = (first: number, last: number) =>
    model === 'multiplicative' ? 100 * (last / first - 1) : last - first
  const [before, after] = [then.rounds.round3, now.rounds.round3]
  const periods = Array.from({ length: seasons }, (_, k): Revised => {
    const i = n - seasons + k
    const [first, last] = [before.adjusted[i]!, after.adjusted[i]!]
    const [trendFirst, trendLast] = [before.trend[i]!, after.trend[i]!]
    return {
      ...{ t: i + 1, first, last, revision: moved(first, last) },
      ...{ trendFirst, trendLast, trendRevision: moved(trendFirst, trendLast) },
    }
  })
  const meanOf = (of: (one: Revised) => number) =>
    periods.reduce((sum, one) => sum + Math.abs(of(one)), 0) / periods.length
  return {
    periods,
    meanAbsoluteRevision: meanOf(({ revision }) => revision),
    meanAbsoluteTrendRevision: meanOf(({ trendRevision }) => trendRevision),
  }
}
