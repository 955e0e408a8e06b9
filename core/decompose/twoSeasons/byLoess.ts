import { MODEL, type Model } from '../../model'
import type { Value } from '../../series/series'
import { stl } from '../stl/stl'
import { stlParameters } from '../stl/windows'
import type { ByLoess } from './options'

/** Two seasons by loess: one figure a period in every list, on the scale of the model. */
export interface TwoByLoess {
  readonly shorter: readonly number[]
  readonly longer: readonly number[]
  readonly trendCycle: readonly number[]
  /** The robustness weights of the last pass. */
  readonly weights: readonly number[]
}

const ROUNDS = 2

/**
 * Two seasons by robust loess, one after the other: the shorter of what the longer leaves, the longer of what the shorter leaves,
 * twice; the trend is that of the last.
 *
 * @param values one a period, null = missing or left out; above 0 for a multiplicative model
 * @see Cleveland, R. B. et al. (1990), Journal of Official Statistics 6, 3–73
 * @see arXiv 2107.13462 (2021)
 */
export function byLoess(
  values: readonly Value[],
  model: Model,
  { seasons, seasonalWindow, robust, inner, outer }: ByLoess,
): TwoByLoess {
  const { toSum, fromSum } = MODEL[model]
  const y = values.map((value) => (value === null ? null : toSum(value)))
  const [short, long] = seasons.map((m) =>
    stlParameters({ seasonalWindow, robust, inner, outer }, y.length, m),
  )
  const less = (season: readonly number[]) =>
    y.map((value, i) => (value === null ? null : value - season[i]!))
  let longer: readonly number[] = y.map(() => 0)
  for (let round = 1; ; round++) {
    const { seasonal: shorter } = stl(less(longer), seasons[0], short!)
    const last = stl(less(shorter), seasons[1], long!)
    longer = last.seasonal
    if (round < ROUNDS) continue
    return {
      shorter: shorter.map(fromSum),
      longer: longer.map(fromSum),
      trendCycle: last.trend.map(fromSum),
      weights: last.weights,
    }
  }
}
