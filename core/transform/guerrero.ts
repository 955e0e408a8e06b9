import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { standardDeviation } from '../statistics/spread'

/** A power that was chosen so that the spread is the same at every level. */
export interface ChosenPower {
  readonly lambda: number
  /** Coefficient of variation of S/ȳ^(1 − λ) over the blocks, the least that there is. */
  readonly cv: number
  readonly blocks: number
}

/** Where λ is looked for. */
export const LEAST_POWER = -1
export const MOST_POWER = 2
const GRID = 0.01
const CLOSE_ENOUGH = 1e-7
const FEWEST_BLOCKS = 2

/**
 * Chooses λ: blocks of a year, counted back from the last period, have a mean ȳ and a standard deviation S; the λ whose
 * S/ȳ^(1 − λ) differ least between blocks. The lowest point of a grid, then refined by the golden section.
 *
 * @param values above 0, null = missing: a block with one is left out
 * @param seasons m; without a season pairs of periods
 * @throws Refusal with fewer than two blocks, and where no block has any spread
 * @see Guerrero, V. M. (1993), Journal of Forecasting 12, 37–48
 * @example blocks (1, 3) and (10, 30): S ÷ ȳ is the same in both, so λ is 0
 */
export function choosePower(values: readonly Value[], seasons: number): ChosenPower {
  const length = Math.max(2, seasons)
  const blocks: { readonly mean: number; readonly spread: number }[] = []
  for (let end = values.length; end >= length; end -= length) {
    const block = values.slice(end - length, end)
    if (block.includes(null)) continue
    const own = block as number[]
    blocks.push({ mean: mean(own)!, spread: standardDeviation(own)! })
  }
  if (blocks.length < FEWEST_BLOCKS || blocks.every(({ spread }) => spread === 0)) {
    throw new Refusal(
      `A power is chosen by how the spread of whole ${seasons < 2 ? 'pairs of periods' : 'years'} goes with their level; ${blocks.length < FEWEST_BLOCKS ? `there ${blocks.length === 1 ? 'is 1 of them' : `are ${blocks.length} of them`} without a gap, and 2 are needed` : 'these have none'}. Name the power, or take none.`,
      'forecast.transform',
    )
  }
  const cvAt = (lambda: number) => {
    const shares = blocks.map((one) => one.spread / one.mean ** (1 - lambda))
    return standardDeviation(shares)! / mean(shares)!
  }
  const steps = Math.round((MOST_POWER - LEAST_POWER) / GRID)
  let best = LEAST_POWER
  for (let i = 1; i <= steps; i++) {
    const lambda = LEAST_POWER + i * GRID
    if (cvAt(lambda) < cvAt(best)) best = lambda
  }
  const lambda = refined(
    cvAt,
    Math.max(LEAST_POWER, best - GRID),
    Math.min(MOST_POWER, best + GRID),
  )
  return { lambda, cv: cvAt(lambda), blocks: blocks.length }
}

/** The lowest point between two bounds, which may be one of them. */
function refined(f: (x: number) => number, least: number, most: number): number {
  const golden = (Math.sqrt(5) - 1) / 2
  let [a, b] = [least, most]
  while (b - a > CLOSE_ENOUGH) {
    const [c, d] = [b - golden * (b - a), a + golden * (b - a)]
    if (f(c) <= f(d)) b = d
    else a = c
  }
  const inner = (a + b) / 2
  return [least, most].reduce((low, end) => (f(end) < f(low) ? end : low), inner)
}
