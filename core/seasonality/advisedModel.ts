import type { Model } from '../model'
import type { Value } from '../series/series'
import { centredAverage } from '../smoothing/movingAverage'
import { median, mean } from '../statistics/average'

/** Which model leaves less of a series unexplained. */
export interface AdvisedModel {
  /** Σ|y − T − p| over the blocks, in units of the series. */
  readonly additive: number
  /** ΣT·|y/T − 1 − q|, likewise. */
  readonly multiplicative: number
  readonly better: Model
  /** Whether the two are so near that either will do. */
  readonly close: boolean
}

/** Years that are needed to tell the models apart. */
const FEWEST_BLOCKS = 3
const CLOSE = 1.03

/**
 * Which model to advise: the season is taken as an amount p, and as a share q, of the level, each the median of
 * the years, and what either leaves over is added up in units of the series.
 *
 * Medians and absolute sums, so that a freak year does not decide it; the amounts left over, not the evenness of
 * the yearly swing, since noise that grows with the level makes both swings uneven.
 *
 * @param values one a period, outliers replaced, null = missing
 * @param seasons m
 * @returns null with a value that is not above 0, or with fewer than three full years
 * @example a season of ±30% over a level that doubles: multiplicative
 */
export function adviseModel(values: readonly Value[], seasons: number): AdvisedModel | null {
  if (values.some((value) => value !== null && value <= 0)) return null
  const level = centredAverage(values, seasons)
  const blocks = fullBlocks(values, level, seasons)
  if (blocks.length < FEWEST_BLOCKS) return null
  const amount = usualOf(blocks, (i) => values[i]! - level[i]!)
  const share = usualOf(blocks, (i) => values[i]! / level[i]! - 1)
  let additive = 0
  let multiplicative = 0
  for (const block of blocks) {
    block.forEach((i, k) => {
      const [y, t] = [values[i]!, level[i]!]
      additive += Math.abs(y - t - amount[k]!)
      multiplicative += t * Math.abs(y / t - 1 - share[k]!)
    })
  }
  const [small, large] = [additive, multiplicative].sort((a, b) => a - b) as [number, number]
  return {
    additive,
    multiplicative,
    better: multiplicative < additive ? 'multiplicative' : 'additive',
    close: large <= CLOSE * small,
  }
}

/** Entries of complete years, counted from the first period with an average. */
function fullBlocks(
  values: readonly Value[],
  level: readonly Value[],
  seasons: number,
): number[][] {
  const first = level.findIndex((value) => value !== null)
  if (first < 0) return []
  const count = Math.floor((level.length - first) / seasons)
  return Array.from({ length: count }, (_, block) =>
    Array.from({ length: seasons }, (_, k) => first + block * seasons + k),
  ).filter((block) => block.every((i) => level[i] !== null && values[i] !== null))
}

/** For each place in a year the median over the years, set less their mean. */
function usualOf(blocks: readonly (readonly number[])[], departure: (i: number) => number) {
  const medians = blocks[0]!.map((_, k) => median(blocks.map((block) => departure(block[k]!)))!)
  const centre = mean(medians)!
  return medians.map((value) => value - centre)
}
