import { MODEL, type Model } from '../model'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'

/**
 * The season that ratios (differences) to a moving average say, one entry a period: each season's mean, adjusted so that
 * they average 1 (sum to 0). It looks at a level without asking how the method takes its season.
 *
 * @param ratios one a period, null = undefined
 * @param seasonOf 1..m, of each entry
 * @returns null where some season has no ratio
 * @example ratios 1.3, 0.7, 1.1, 0.9 of seasons 1, 2, 1, 2: 1.2, 0.8, 1.2, 0.8
 */
export function seasonOfRatios(
  ratios: readonly Value[],
  seasonOf: readonly number[],
  seasons: number,
  model: Model,
): number[] | null {
  const { takeOut } = MODEL[model]
  const raw = Array.from({ length: seasons }, (_, k) =>
    mean(ratios.filter((value, i): value is number => value !== null && seasonOf[i] === k + 1)),
  )
  if (raw.some((value) => value === null)) return null
  const centre = mean(raw as number[])!
  return seasonOf.map((season) => takeOut(raw[season - 1]!, centre))
}
