import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { fTest, type FTest } from './stableSeason'

/** The values of one calendar year, season 1 first, null = undefined. */
export interface YearOfSeasons {
  readonly year: number
  readonly values: readonly (number | null)[]
}

/** Moving seasonality, with the complete years it was tested on. */
export interface MovingSeason extends FTest {
  readonly years: readonly number[]
  /** The size of the season in its largest year less that in its smallest, as a share of the usual; undefined without a size. */
  readonly change: Value
}

/**
 * Moving seasonality: two-way analysis of variance of the size of the seasonal-irregular, between years.
 * A large F says that the season grew or shrank over the years.
 *
 * @param years all years; only complete ones are used, and at least two are needed
 * @param base what the seasonal-irregular is read against: 1, or 0 for an additive model
 * @returns undefined figures with fewer than two complete years
 * @see Higginson, J. (1975), An F test for the presence of moving seasonality, Statistics Canada
 */
export function movingSeason(years: readonly YearOfSeasons[], base: number): MovingSeason {
  const complete = years.filter(({ values }) => !values.includes(null))
  const table = complete.map(({ values }) => values.map((value) => Math.abs(value! - base)))
  const seasons = years[0]?.values.length ?? 0
  const ofYears = table.map((row) => mean(row)!)
  const ofSeasons = Array.from(
    { length: seasons },
    (_, k) => mean(table.map((row) => row[k]!)) ?? 0,
  )
  const centre = mean(ofYears) ?? 0
  let between = 0
  let left = 0
  table.forEach((row, i) => {
    between += seasons * (ofYears[i]! - centre) ** 2
    row.forEach((value, k) => (left += (value - ofYears[i]! - ofSeasons[k]! + centre) ** 2))
  })
  const df = Math.max(0, complete.length - 1)
  return {
    years: complete.map(({ year }) => year),
    change: centre > 0 ? (Math.max(...ofYears) - Math.min(...ofYears)) / centre : null,
    ...fTest(between, left, df, df * (seasons - 1)),
  }
}
