import type { Model } from '../../model'
import { orNull } from '../../refusal'
import type { Value } from '../../series/series'
import type { Steps } from '../../work/steps'
import { meanMoved, revisedAt, type Revised } from '../revised'
import { adjust, type Adjusted } from './adjust'
import type { Adjustable, IteratedOptions } from './adjustable'

export interface RevisionsOfYear {
  readonly yearsDropped: number
  /** The last year of the shorter series. */
  readonly periods: readonly Revised[]
  readonly meanAbsoluteRevision: Value
  readonly meanAbsoluteTrendRevision: Value
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
  const at = ({ rounds: { round3 } }: Adjusted, i: number) => ({
    adjusted: round3.adjusted[i]!,
    trend: round3.trend[i]!,
  })
  const periods = Array.from({ length: seasons }, (_, k) => {
    const i = n - seasons + k
    return revisedAt(i + 1, at(then, i), at(now, i), model)
  })
  return {
    periods,
    meanAbsoluteRevision: meanMoved(periods.map(({ revision }) => revision)),
    meanAbsoluteTrendRevision: meanMoved(periods.map(({ trendRevision }) => trendRevision)),
  }
}
